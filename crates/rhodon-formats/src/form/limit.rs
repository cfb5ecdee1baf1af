//! An output that ends.

use std::io::{self, Write};

/// Text up to a number of bytes.
pub(super) struct Output {
    bytes: Vec<u8>,
    most: usize,
    full: bool,
}

impl Output {
    pub(super) fn new(most: usize) -> Self {
        Self {
            bytes: Vec::new(),
            most,
            full: false,
        }
    }

    pub(super) fn is_full(&self) -> bool {
        self.full
    }

    pub(super) fn into_text(self) -> String {
        String::from_utf8_lossy(&self.bytes).into_owned()
    }
}

impl Write for Output {
    fn write(&mut self, part: &[u8]) -> io::Result<usize> {
        if self.bytes.len() + part.len() > self.most {
            self.full = true;
            return Err(io::Error::other("the output is full"));
        }
        self.bytes.extend_from_slice(part);
        Ok(part.len())
    }

    fn flush(&mut self) -> io::Result<()> {
        Ok(())
    }
}
