//! News of changed themes, through the database's own notification channel, so that every
//! server on one database hears of what another saved.

use sea_orm::sqlx::postgres::PgListener;
use sea_orm::{ConnectionTrait, DatabaseTransaction, DbErr};
use uuid::Uuid;

use crate::error::StoreError;

const CHANNEL: &str = "rhodon_theme";

/// A theme has another current revision, or none.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct Moved {
    /// Identity of the theme.
    pub id: Uuid,
    /// Number of its current revision; 0 once it is deleted.
    pub revision: i32,
}

/// What a listener hears.
#[derive(Clone, Debug, PartialEq, Eq)]
pub enum News {
    /// A theme moved.
    Moved(Moved),
    /// The connection was lost for a while: anything may have moved.
    Missed,
}

/// Tells every listener, once the transaction is committed.
pub(crate) async fn tell(tx: &DatabaseTransaction, id: Uuid, revision: i32) -> Result<(), DbErr> {
    // Both parts are formatted from their own types: nothing needs escaping.
    tx.execute_unprepared(&format!("NOTIFY {CHANNEL}, '{id} {revision}'"))
        .await?;
    Ok(())
}

/// A connection that hears of changes.
#[derive(Debug)]
pub struct Changes(PgListener);

impl Changes {
    /// Listens on a connection of its own.
    ///
    /// # Errors
    /// The server does not answer.
    pub async fn listen(url: &str) -> Result<Self, StoreError> {
        let failed =
            |e: sea_orm::sqlx::Error| DbErr::Conn(sea_orm::RuntimeErr::SqlxError(e.into()));
        let mut listener = PgListener::connect(url).await.map_err(failed)?;
        listener.listen(CHANNEL).await.map_err(failed)?;
        Ok(Self(listener))
    }

    /// Waits for what happens next. A lost connection is taken up again by itself.
    ///
    /// # Errors
    /// The connection is lost for good.
    pub async fn next(&mut self) -> Result<News, StoreError> {
        loop {
            let note = self
                .0
                .try_recv()
                .await
                .map_err(|e| DbErr::Conn(sea_orm::RuntimeErr::SqlxError(e.into())))?;
            match note {
                None => return Ok(News::Missed),
                Some(note) => {
                    if let Some(moved) = parse(note.payload()) {
                        return Ok(News::Moved(moved));
                    }
                }
            }
        }
    }
}

fn parse(payload: &str) -> Option<Moved> {
    let (id, revision) = payload.split_once(' ')?;
    Some(Moved {
        id: id.parse().ok()?,
        revision: revision.parse().ok()?,
    })
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn payloads_are_read_and_strangers_are_passed_over() {
        let id = Uuid::now_v7();
        assert_eq!(parse(&format!("{id} 41")), Some(Moved { id, revision: 41 }));
        for stranger in ["", "x", "x 1", &format!("{id} x")] {
            assert_eq!(parse(stranger), None, "{stranger}");
        }
    }
}
