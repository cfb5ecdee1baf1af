//! A binary that serves, as a test starts it.

use std::ffi::OsStr;
use std::io::{BufRead, BufReader};
use std::process::{Child, Command, Stdio};

/// A process that printed where it is. It is killed, not asked to stop, when it is dropped.
#[derive(Debug)]
pub struct Served {
    /// The process.
    pub process: Child,
    /// Its address, such as `http://127.0.0.1:40123`.
    pub address: String,
}

impl Served {
    /// Starts a binary and reads the address at the end of its first line.
    ///
    /// # Panics
    /// The binary does not run, or says nothing of the kind.
    pub fn start(binary: &str, args: impl IntoIterator<Item = impl AsRef<OsStr>>) -> Self {
        let mut process = Command::new(binary)
            .args(args)
            .stdout(Stdio::piped())
            .spawn()
            .expect("the binary runs");
        let out = process.stdout.take().expect("its output is piped");
        let line = BufReader::new(out).lines().next();
        let line = line.expect("a line").expect("text");
        let (_, address) = line.rsplit_once(" at ").expect(&line);
        let address = address.to_owned();
        Self { process, address }
    }
}

impl Drop for Served {
    fn drop(&mut self) {
        // It may have ended by itself.
        let _ = self.process.kill();
        let _ = self.process.wait();
    }
}
