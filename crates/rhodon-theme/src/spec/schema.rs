//! The published shape of the document.

use super::Spec;

impl Spec {
    /// JSON Schema (2020-12) of the document.
    pub fn schema() -> serde_json::Value {
        let mut schema = schemars::schema_for!(Spec);
        schema.insert("title".into(), "Rhodon theme".into());
        schema.into()
    }
}
