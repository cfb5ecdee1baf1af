//! News of changed themes for every open window.

use std::time::Duration;

use rhodon_store::{Changes, News};
use tokio::sync::{broadcast, watch};

/// Windows that fall further behind than this read the theme anew anyway.
const BEHIND: usize = 256;
/// The pause before a lost connection is sought again.
const PAUSE: Duration = Duration::from_secs(2);

/// Passes on what the database tells, until the server stops.
#[derive(Clone, Debug)]
pub struct Live {
    changes: broadcast::Sender<News>,
    stopping: watch::Sender<bool>,
}

impl Live {
    /// Begins to listen; the server works without it while the database is away.
    pub fn start(database: String) -> Self {
        let live = Self {
            changes: broadcast::Sender::new(BEHIND),
            stopping: watch::Sender::new(false),
        };
        let own = live.clone();
        tokio::spawn(async move {
            let mut stopped = own.stopping.subscribe();
            tokio::select! {
                _ = stopped.wait_for(|s| *s) => {}
                () = own.pass_on(&database) => {}
            }
        });
        live
    }

    async fn pass_on(&self, database: &str) {
        let mut heard = false;
        loop {
            match Changes::listen(database).await {
                Ok(mut changes) => {
                    // Nobody listening is no fault. What was told meanwhile is not known.
                    if heard {
                        let _ = self.changes.send(News::Missed);
                    }
                    heard = true;
                    while let Ok(news) = changes.next().await {
                        let _ = self.changes.send(news);
                    }
                }
                Err(cause) => tracing::warn!(%cause, "cannot listen for changes"),
            }
            tokio::time::sleep(PAUSE).await;
        }
    }

    /// Changes from now on.
    pub(crate) fn changes(&self) -> broadcast::Receiver<News> {
        self.changes.subscribe()
    }

    /// Becomes true when the server stops, so that open streams end.
    pub(crate) fn stopping(&self) -> watch::Receiver<bool> {
        self.stopping.subscribe()
    }

    /// How many windows are told.
    pub(crate) fn streams(&self) -> usize {
        self.changes.receiver_count()
    }

    /// Ends every stream.
    pub(crate) fn stop(&self) {
        self.stopping.send_replace(true);
    }
}
