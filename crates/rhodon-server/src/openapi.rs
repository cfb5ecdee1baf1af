//! The OpenAPI document: routes from their handlers, the theme document from the core's own
//! JSON Schema.

use rhodon_theme::Document;
use serde_json::{Value, json};

use crate::schema::SPEC;

/// The whole document.
pub fn openapi() -> Value {
    let (_, document) = crate::route::api().split_for_parts();
    let mut document = serde_json::to_value(document).unwrap_or_default();
    let mut spec = Document::schema();
    let parts = spec.as_object_mut().and_then(|s| {
        s.remove("$schema");
        s.remove("$defs")
    });
    let mut schemas = parts
        .and_then(|p| p.as_object().cloned())
        .unwrap_or_default();
    schemas.insert(SPEC.to_owned(), spec);
    for (name, mut schema) in schemas {
        point_to_components(&mut schema);
        document["components"]["schemas"][name] = schema;
    }
    let operations = document["paths"]
        .as_object_mut()
        .into_iter()
        .flat_map(|paths| paths.values_mut());
    for operation in
        operations.flat_map(|o| o.as_object_mut().into_iter().flat_map(|m| m.values_mut()))
    {
        describe_refusals(&mut operation["responses"]);
    }
    document
}

/// Every refusal is a problem document (RFC 9457), those too that any request may meet: a body that
/// is no JSON, too large or of another type, a write without `If-Match`.
fn describe_refusals(responses: &mut Value) {
    const JSON: &str = "application/json";
    const PROBLEM: &str = "application/problem+json";
    let Some(all) = responses.as_object_mut() else {
        return;
    };
    for (_, refusal) in all
        .iter_mut()
        .filter(|(status, _)| !status.starts_with('2'))
    {
        if let Some(content) = refusal["content"].as_object_mut()
            && let Some(schema) = content.remove(JSON)
        {
            content.insert(PROBLEM.to_owned(), schema);
        }
    }
    let schema = json!({ "$ref": "#/components/schemas/Problem" });
    let any =
        json!({ "description": "Any other refusal", "content": { PROBLEM: { "schema": schema } } });
    all.insert("default".to_owned(), any);
}

/// JSON Schema keeps its parts under `$defs`, OpenAPI under `components`.
fn point_to_components(schema: &mut Value) {
    match schema {
        Value::Object(map) => {
            for (key, value) in map.iter_mut() {
                match value.as_str().and_then(|s| s.strip_prefix("#/$defs/")) {
                    Some(name) if key == "$ref" => {
                        *value = format!("#/components/schemas/{name}").into()
                    }
                    _ => point_to_components(value),
                }
            }
        }
        Value::Array(items) => items.iter_mut().for_each(point_to_components),
        _ => {}
    }
}
