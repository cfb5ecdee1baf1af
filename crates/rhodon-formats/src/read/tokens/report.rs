//! Problems of a reading.

use crate::read::import::ReadProblem;

/// Both modes read the same files: a problem is told once.
pub(super) fn report(problems: &mut Vec<ReadProblem>, problem: ReadProblem) {
    if problems.len() < MAX_TOLD && !problems.contains(&problem) {
        problems.push(problem);
    }
}

/// The most problems of one reading that are told.
const MAX_TOLD: usize = 200;
