//! The published shape of the document.

use super::Document;

impl Document {
    /// JSON Schema (2020-12) of the document.
    pub fn schema() -> serde_json::Value {
        let mut schema = schemars::schema_for!(Document);
        schema.insert("title".into(), "Rhodon theme".into());
        schema.into()
    }
}
