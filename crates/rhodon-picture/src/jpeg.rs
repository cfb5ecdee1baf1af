//! What the segments of a JPEG tell before it is decoded (ITU-T T.81, annex B).

const SOI: [u8; 2] = [0xff, 0xd8];
const SOS: u8 = 0xda;
const EOI: [u8; 2] = [0xff, 0xd9];
/// Progressive frames, whose coefficients are all held until the last scan.
const PROGRESSIVE: [u8; 4] = [0xc2, 0xc6, 0xca, 0xce];

/// What is known of a JPEG before its scans.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub(crate) struct Outline {
    /// Whether its scans refine one another.
    pub progressive: bool,
    /// Whether its end is there.
    pub complete: bool,
}

/// Walks the segments up to the first scan; none where there is no scan.
pub(crate) fn outline(bytes: &[u8]) -> Option<Outline> {
    let mut at = bytes.strip_prefix(&SOI).map(|_| 2)?;
    let mut progressive = false;
    loop {
        let [0xff, marker] = *bytes.get(at..at + 2)? else {
            // Fill bytes between segments.
            at += 1;
            continue;
        };
        progressive |= PROGRESSIVE.contains(&marker);
        if marker == SOS {
            break;
        }
        // A fill byte, or a marker without a length.
        if marker == 0xff || matches!(marker, 0x01 | 0xd0..=0xd8) {
            at += if marker == 0xff { 1 } else { 2 };
            continue;
        }
        let length = bytes.get(at + 2..at + 4)?;
        at += 2 + usize::from(u16::from_be_bytes([length[0], length[1]])).max(2);
    }
    // Cameras put more behind the end; what stands before the first scan is a thumbnail's.
    let complete = bytes[at..].windows(2).rev().any(|pair| pair == EOI);
    Some(Outline {
        progressive,
        complete,
    })
}
