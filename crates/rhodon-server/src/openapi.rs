//! The OpenAPI document: routes from their handlers, the theme document from the core's own
//! JSON Schema.

use rhodon_theme::Spec;
use serde_json::Value;
use utoipa::OpenApi;
use utoipa::openapi::schema::{OneOfBuilder, Schema, Type};
use utoipa::openapi::{ObjectBuilder, Ref, RefOr};

#[derive(OpenApi)]
#[openapi(info(title = "Rhodon", description = "Brand colours into theme tokens."))]
pub(crate) struct Document;

/// Name of the theme document among the schemas.
const SPEC: &str = "Spec";

/// A reference to the theme document.
pub(crate) fn spec_schema() -> RefOr<Schema> {
    Ref::from_schema_name(SPEC).into()
}

/// A reference to the theme document, or nothing.
pub(crate) fn optional_spec_schema() -> RefOr<Schema> {
    let null = ObjectBuilder::new().schema_type(Type::Null);
    OneOfBuilder::new().item(Ref::from_schema_name(SPEC)).item(null).into()
}

/// The whole document.
pub fn openapi() -> Value {
    let (_, document) = crate::route::api().split_for_parts();
    let mut document = serde_json::to_value(document).unwrap_or_default();
    let mut spec = Spec::schema();
    let parts = spec.as_object_mut().and_then(|s| {
        s.remove("$schema");
        s.remove("$defs")
    });
    let mut schemas = parts.and_then(|p| p.as_object().cloned()).unwrap_or_default();
    schemas.insert(SPEC.to_owned(), spec);
    for (name, mut schema) in schemas {
        point_to_components(&mut schema);
        document["components"]["schemas"][name] = schema;
    }
    document
}

/// JSON Schema keeps its parts under `$defs`, OpenAPI under `components`.
fn point_to_components(schema: &mut Value) {
    match schema {
        Value::Object(map) => {
            for (key, value) in map.iter_mut() {
                match value.as_str().and_then(|s| s.strip_prefix("#/$defs/")) {
                    Some(name) if key == "$ref" => *value = format!("#/components/schemas/{name}").into(),
                    _ => point_to_components(value),
                }
            }
        }
        Value::Array(items) => items.iter_mut().for_each(point_to_components),
        _ => {}
    }
}
