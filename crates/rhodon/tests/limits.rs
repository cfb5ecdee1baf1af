//! Connections that never say what they want, and answers that nobody reads: the server is not held
//! up by them, and ends when it is told to.
#![allow(clippy::unwrap_used)]

use std::io::{BufRead, BufReader, Read, Write};
use std::net::TcpStream;
use std::process::Command;
use std::time::{Duration, Instant};

use rhodon_testing::{Served, fresh_database};

struct Server(Served);

impl Server {
    fn start(database: &str) -> Self {
        let args = ["serve", "--listen", "127.0.0.1:0", "--database", database];
        Self(Served::start(env!("CARGO_BIN_EXE_rhodon"), args))
    }

    fn host(&self) -> &str {
        self.0.address.trim_start_matches("http://")
    }

    fn connect(&self, text: &str) -> TcpStream {
        let mut stream = TcpStream::connect(self.host()).unwrap();
        stream
            .write_all(text.replace("HOST", self.host()).as_bytes())
            .unwrap();
        stream
    }

    /// The status of a request of its own.
    fn ask(&self, request: &str) -> String {
        let mut stream = self.connect(request);
        stream
            .set_read_timeout(Some(Duration::from_secs(20)))
            .unwrap();
        let mut line = String::new();
        BufReader::new(&mut stream).read_line(&mut line).unwrap();
        line.trim().to_owned()
    }
}

const HEALTH: &str = "GET /api/health HTTP/1.1\r\nHost: HOST\r\n\r\n";

#[tokio::test]
async fn half_sent_requests_hold_nobody_up_and_the_server_ends_all_the_same() {
    let mut server = Server::start(&fresh_database("limits").await);
    let half: Vec<TcpStream> = (0..100)
        .map(|_| server.connect("POST /api/derive HTTP/1.1\r\nHost: HO"))
        .collect();
    let unread: Vec<TcpStream> = (0..20)
        .map(|_| server.connect("GET /api/openapi.json HTTP/1.1\r\nHost: HOST\r\n\r\n"))
        .collect();
    let streams: Vec<TcpStream> = (0..5)
        .map(|_| server.connect("GET /api/events HTTP/1.1\r\nHost: HOST\r\n\r\n"))
        .collect();
    assert_eq!(server.ask(HEALTH), "HTTP/1.1 200 OK");
    Command::new("kill")
        .args(["-TERM", &server.0.process.id().to_string()])
        .status()
        .unwrap();
    let waited = Instant::now();
    let status = loop {
        if let Some(status) = server.0.process.try_wait().unwrap() {
            break status;
        }
        assert!(
            waited.elapsed() < Duration::from_secs(30),
            "the server does not end"
        );
        std::thread::sleep(Duration::from_millis(50));
    };
    assert!(status.success(), "{status}");
    drop((half, unread, streams));
}

/// A connection on which nothing is said, the beginning of another version of the protocol, half a head,
/// and one that is left open behind its answer.
#[tokio::test]
async fn connections_that_say_no_more_are_given_up_by_the_server() {
    let server = Server::start(&fresh_database("limits").await);
    let streams = [
        "",
        "PRI * HT",
        "GET /api/health HTTP/1.1\r\nHost: HO",
        HEALTH,
    ]
    .map(|said| server.connect(said));
    for mut stream in streams {
        stream
            .set_read_timeout(Some(Duration::from_secs(30)))
            .unwrap();
        let mut rest = Vec::new();
        // The connection ends, with or without a refusal, without a word more from here.
        stream.read_to_end(&mut rest).unwrap();
    }
    assert_eq!(server.ask(HEALTH), "HTTP/1.1 200 OK");
}

#[tokio::test]
async fn requests_with_two_hosts_or_another_one_are_refused() {
    let server = Server::start(&fresh_database("limits").await);
    for (request, status) in [
        (
            "GET /api/health HTTP/1.1\r\nHost: HOST\r\nHost: evil.example\r\n\r\n",
            "421",
        ),
        (
            "GET http://evil.example/api/health HTTP/1.1\r\nHost: HOST\r\n\r\n",
            "421",
        ),
        (
            "GET http://HOST/api/health HTTP/1.1\r\nHost: HOST\r\n\r\n",
            "200",
        ),
        ("GET /api/themes/%00 HTTP/1.1\r\nHost: HOST\r\n\r\n", "404"),
        ("DELETE /somewhere HTTP/1.1\r\nHost: HOST\r\n\r\n", "405"),
        (
            "POST /api/derive HTTP/1.1\r\nHost: HOST\r\nContent-Type: application/jsonx\r\nContent-Length: 2\r\n\r\n{}",
            "415",
        ),
    ] {
        let answer = server.ask(request);
        assert!(
            answer.starts_with(&format!("HTTP/1.1 {status}")),
            "{request:?}: {answer}"
        );
    }
}

#[tokio::test]
async fn a_server_that_cannot_start_says_what_to_do() {
    let run = |args: &[&str]| {
        let output = Command::new(env!("CARGO_BIN_EXE_rhodon"))
            .args(["serve"])
            .args(args)
            .output()
            .expect("it runs");
        (
            output.status.code(),
            String::from_utf8(output.stderr).expect("text"),
        )
    };
    let (code, message) = run(&[
        "--listen",
        "127.0.0.1:0",
        "--database",
        "postgres://x:y@127.0.0.1:1/none",
    ]);
    assert_eq!(code, Some(2));
    assert!(
        message.starts_with("cannot use the database: ") && message.contains("DATABASE_URL"),
        "{message}"
    );
    let server = Server::start(&fresh_database("taken").await);
    let taken = server.0.address.trim_start_matches("http://");
    let (code, message) = run(&[
        "--listen",
        taken,
        "--database",
        "postgres://x:y@127.0.0.1:1/none",
    ]);
    assert_eq!(code, Some(2));
    assert!(
        message.contains("cannot listen on") && message.contains("RHODON_PORT"),
        "{message}"
    );
}
