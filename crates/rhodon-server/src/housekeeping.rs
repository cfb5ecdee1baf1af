//! What is done now and then while a server runs.

use std::time::Duration;

use rhodon_store::Store;

/// How long a picture is kept that no theme names: it may lie in somebody's tray.
const PICTURE_DAYS: i32 = 30;
/// After the start, and from then on.
const FIRST: Duration = Duration::from_secs(60);
const EVERY: Duration = Duration::from_secs(24 * 60 * 60);

/// Clears away what nobody needs any more, until the server ends.
pub(crate) async fn keep(store: Store) {
    tokio::time::sleep(FIRST).await;
    loop {
        match store.clear_pictures(PICTURE_DAYS).await {
            Ok(0) => {}
            Ok(count) => tracing::info!(count, "pictures that no theme names were removed"),
            Err(error) => tracing::warn!(%error, "pictures were not looked through"),
        }
        tokio::time::sleep(EVERY).await;
    }
}
