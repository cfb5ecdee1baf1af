//! A fresh database for each test.
//!
//! `bin/test` starts a PostgreSQL server for them and names it in `RHODON_TEST_DATABASE`.

use sea_orm::{ConnectionTrait, Database};

/// Creates an empty database and gives its address. It goes with the test cluster.
///
/// # Panics
/// Without a server: run the tests through `bin/test`.
pub async fn fresh_database(name: &str) -> String {
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
