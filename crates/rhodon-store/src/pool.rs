//! Connections: some for reading, some for writing, one to ask whether the server is there. Writers
//! that wait for each other then keep nobody from reading, and health tells the truth.

use std::time::Duration;

use sea_orm::sqlx::postgres::{PgConnectOptions, PgPoolOptions};
use sea_orm::sqlx::{Connection, Error};
use sea_orm::{
    AccessMode, ConnectionTrait, DatabaseConnection, DatabaseTransaction, DbErr, IsolationLevel,
    RuntimeErr, SqlxPostgresConnector, TransactionTrait,
};
use sea_orm_migration::MigratorTrait;

use crate::error::Result;
use crate::error::StoreError;
use crate::migration::Migrator;

/// The longest that a statement waits for a row that somebody else holds.
const LOCK_TIME: &str = "3s";
/// The longest that a statement runs.
const STATEMENT_TIME: &str = "10s";
/// The longest that anybody waits for a connection.
const ACQUIRE_TIME: Duration = Duration::from_secs(10);
/// A connection that was idle for longer is asked whether it still stands before it is used.
const FRESH: Duration = Duration::from_secs(1);
/// Connections for each kind of work.
const CONNECTIONS: u32 = 8;
/// Any number will do, as long as every server takes the same.
const MIGRATION_LOCK: i64 = 0x5268_6f64_6f6e;

/// The pools of one server. Cheap to clone.
#[derive(Clone, Debug)]
pub(crate) struct Pools {
    pub reads: DatabaseConnection,
    writes: DatabaseConnection,
    probe: DatabaseConnection,
}

impl Pools {
    pub(crate) async fn connect(url: &str) -> Result<Self> {
        let options: PgConnectOptions = url.parse().map_err(failed)?;
        let options = options.options([
            ("lock_timeout", LOCK_TIME),
            ("statement_timeout", STATEMENT_TIME),
            ("idle_in_transaction_session_timeout", STATEMENT_TIME),
        ]);
        Ok(Self {
            reads: pool(options.clone(), CONNECTIONS).await?,
            writes: pool(options.clone(), CONNECTIONS).await?,
            probe: pool(options, 1).await?,
        })
    }

    /// Brings the schema up to date; several servers may do so at once.
    pub(crate) async fn migrate(&self) -> Result<()> {
        let tx = self.begin().await?;
        lock(&tx, MIGRATION_LOCK).await?;
        Migrator::up(&tx, None).await?;
        commit(tx).await
    }

    /// Connections by kind of work: how many are open, and how many of those nobody uses.
    pub(crate) fn connections(&self) -> [(&'static str, u32, usize); 3] {
        let all = [
            ("reads", &self.reads),
            ("writes", &self.writes),
            ("probe", &self.probe),
        ];
        all.map(|(kind, pool)| {
            let pool = pool.get_postgres_connection_pool();
            (kind, pool.size(), pool.num_idle())
        })
    }

    /// Whether the schema is the one that this program knows.
    pub(crate) async fn is_current(&self) -> Result<bool> {
        Ok(Migrator::get_pending_migrations(&self.probe)
            .await?
            .is_empty())
    }

    pub(crate) async fn ping(&self) -> Result<()> {
        Ok(self.probe.ping().await?)
    }

    pub(crate) async fn begin_at(
        &self,
        level: IsolationLevel,
        mode: AccessMode,
    ) -> Result<DatabaseTransaction> {
        let begun = self.writes.begin_with_config(Some(level), Some(mode));
        Ok(begun.await?)
    }

    pub(crate) async fn begin(&self) -> Result<DatabaseTransaction> {
        Ok(self.writes.begin().await?)
    }
}

async fn pool(options: PgConnectOptions, most: u32) -> Result<DatabaseConnection> {
    let pool = PgPoolOptions::new()
        .max_connections(most)
        .acquire_timeout(ACQUIRE_TIME)
        .test_before_acquire(false)
        .before_acquire(|connection, known| {
            Box::pin(async move {
                // After a restart of the server every connection is a dead one.
                Ok(known.idle_for < FRESH || connection.ping().await.is_ok())
            })
        })
        .connect_with(options)
        .await
        .map_err(failed)?;
    Ok(SqlxPostgresConnector::from_sqlx_postgres_pool(pool))
}

fn failed(error: Error) -> StoreError {
    StoreError::Database(DbErr::Conn(RuntimeErr::SqlxError(error.into())))
}

/// Takes a lock that every server knows, until the transaction ends.
pub(crate) async fn lock(tx: &DatabaseTransaction, number: i64) -> Result<()> {
    tx.execute_unprepared(&format!("SELECT pg_advisory_xact_lock({number})"))
        .await?;
    Ok(())
}

/// Ends a transaction. What goes wrong here leaves open whether anything was written.
pub(crate) async fn commit(tx: DatabaseTransaction) -> Result<()> {
    tx.commit().await.map_err(StoreError::Unconfirmed)
}
