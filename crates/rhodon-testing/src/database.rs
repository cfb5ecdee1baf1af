//! A fresh database for each test.
//!
//! `bin/test` starts a PostgreSQL server for them and names it in `RHODON_TEST_DATABASE`.

use sea_orm::{ConnectionTrait, Database, DbBackend, Statement};

/// Creates an empty database and gives its address. It goes with the test cluster. What is logged from
/// then on stands in the output of a test that fails.
///
/// # Panics
/// Without a server: run the tests through `bin/test`.
pub async fn fresh_database(name: &str) -> String {
    // Another test of the same program may have set it.
    let _ = tracing_subscriber::fmt()
        .with_env_filter("warn,rhodon_server=info")
        .with_test_writer()
        .try_init();
    let server = std::env::var("RHODON_TEST_DATABASE").expect(
        "RHODON_TEST_DATABASE names the PostgreSQL server for tests: run them through bin/test",
    );
    let name = format!("{name}_{}", uuid::Uuid::new_v4().simple());
    let connection = Database::connect(&server)
        .await
        .expect("the test server answers");
    connection
        .execute_unprepared(&format!("CREATE DATABASE {name}"))
        .await
        .expect("a new database");
    connection.close().await.expect("the connection closes");
    let base = server
        .rsplit_once('/')
        .map_or(server.as_str(), |(base, _)| base);
    format!("{base}/{name}")
}

/// Kills a process of the database server in the middle of its work, as a machine that is out of memory
/// does: the server ends every connection and recovers. Where this user may not kill it, the connections of
/// the database are ended alone.
///
/// # Panics
/// The database does not answer.
pub async fn kill_backend(address: &str) {
    let connection = Database::connect(address)
        .await
        .expect("the database answers");
    let others =
        "FROM pg_stat_activity WHERE datname = current_database() AND pid <> pg_backend_pid()";
    let sql = format!("SELECT pid {others} ORDER BY state_change DESC LIMIT 1");
    let asked = Statement::from_string(DbBackend::Postgres, sql);
    let found = connection
        .query_one_raw(asked)
        .await
        .expect("the database answers");
    let pid = found.and_then(|row| row.try_get::<i32>("", "pid").ok());
    let killed = pid.is_some_and(|pid| {
        let mut kill = std::process::Command::new("kill");
        let done = kill.args(["-9", &pid.to_string()]).status();
        done.is_ok_and(|status| status.success())
    });
    if !killed {
        let sql = format!("SELECT pg_terminate_backend(pid) {others}");
        let _ = connection.execute_unprepared(&sql).await;
    }
    // This connection went with the others.
    let _ = connection.close().await;
}

/// Has a database keep what it acknowledged over [`kill_backend`]: the cluster of the tests is set to
/// forget for the sake of speed.
///
/// # Panics
/// The database does not answer.
pub async fn make_durable(address: &str) {
    let name = address.rsplit_once('/').map_or(address, |(_, name)| name);
    let connection = Database::connect(address)
        .await
        .expect("the database answers");
    connection
        .execute_unprepared(&format!(
            "ALTER DATABASE {name} SET synchronous_commit = on"
        ))
        .await
        .expect("the setting is taken");
    connection.close().await.expect("the connection closes");
}
