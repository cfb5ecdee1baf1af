//! How many random cases a property is tried with.

use proptest::prelude::ProptestConfig;

/// So many cases in everyday runs, and as many as `PROPTEST_CASES` asks for in long ones.
pub fn cases(everyday: u32) -> ProptestConfig {
    let usual = ProptestConfig::default();
    let asked = std::env::var_os("PROPTEST_CASES").is_some();
    let cases = if asked { usual.cases } else { everyday };
    ProptestConfig {
        cases,
        // Most random documents refer to something that is not there.
        max_global_rejects: cases * 64,
        ..usual
    }
}
