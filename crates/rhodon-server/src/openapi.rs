//! The OpenAPI document: routes from their handlers, the theme document from the core's own
//! JSON Schema.

use rhodon_formats::Group;
use rhodon_theme::scale::METHODS;
use rhodon_theme::{Document, Level, Mode, Origin, Section, Severity, Share, TokenKind};
use serde_json::{Value, json};
use utoipa::OpenApi;
use utoipa::openapi::schema::{ArrayBuilder, OneOfBuilder, Schema, SchemaType, Type};
use utoipa::openapi::{ObjectBuilder, Ref, RefOr};

#[derive(OpenApi)]
#[openapi(
    info(title = "Rhodon", description = "Brand colours into theme tokens."),
    components(schemas(crate::route::theme::ChildrenChoice))
)]
pub(crate) struct ApiDescription;

/// Name of the theme document among the schemas.
const SPEC: &str = "ThemeDocument";

/// A reference to the theme document.
pub(crate) fn spec_schema() -> RefOr<Schema> {
    Ref::from_schema_name(SPEC).into()
}

/// A reference to where a brand colour came from.
pub(crate) fn provenance_schema() -> RefOr<Schema> {
    Ref::from_schema_name("Provenance").into()
}

/// A reference to the theme document, or nothing.
pub(crate) fn optional_spec_schema() -> RefOr<Schema> {
    let null = ObjectBuilder::new().schema_type(Type::Null);
    OneOfBuilder::new()
        .item(Ref::from_schema_name(SPEC))
        .item(null)
        .into()
}

/// One of a few words: a union in the front end.
fn words(words: impl IntoIterator<Item = &'static str>) -> RefOr<Schema> {
    ObjectBuilder::new()
        .schema_type(Type::String)
        .enum_values(Some(words))
        .into()
}

/// Light or dark.
pub(crate) fn mode_schema() -> RefOr<Schema> {
    words(Mode::BOTH.map(Mode::id))
}

/// How much contrast is asked for.
pub(crate) fn level_schema() -> RefOr<Schema> {
    words(Level::ALL.map(Level::id))
}

/// Light, dark, or none for both.
pub(crate) fn optional_mode_schema() -> RefOr<Schema> {
    let null = ObjectBuilder::new().schema_type(Type::Null);
    OneOfBuilder::new().item(mode_schema()).item(null).into()
}

/// Who decided a value.
pub(crate) fn origin_schema() -> RefOr<Schema> {
    words(Origin::ALL.map(Origin::id))
}

/// How much a finding matters.
pub(crate) fn severity_schema() -> RefOr<Schema> {
    words(Severity::ALL.map(Severity::id))
}

/// A JSON Patch as it is made by comparing: adds, removes and replaces (RFC 6902, section 4).
pub(crate) fn patch_schema() -> RefOr<Schema> {
    let text = || ObjectBuilder::new().schema_type(Type::String);
    let operation = ObjectBuilder::new()
        .property("op", words(["add", "remove", "replace"]))
        .required("op")
        .property("path", text().description(Some("JSON Pointer (RFC 6901).")))
        .required("path")
        .property(
            "value",
            ObjectBuilder::new().schema_type(SchemaType::AnyValue),
        );
    ArrayBuilder::new().items(operation).into()
}

/// The kind of place a token has.
pub(crate) fn section_schema() -> RefOr<Schema> {
    words(Section::ALL.map(Section::id))
}

/// The kind of a token's value.
pub(crate) fn kind_schema() -> RefOr<Schema> {
    words(TokenKind::ALL.map(TokenKind::id))
}

/// Parts in the balance of a page.
pub(crate) fn share_schema() -> RefOr<Schema> {
    words(Share::ALL.map(Share::id))
}

/// The balance of a page.
pub(crate) fn aim_schema() -> RefOr<Schema> {
    Ref::from_schema_name("Aim").into()
}

/// The ways to build a scale.
pub(crate) fn method_schema() -> RefOr<Schema> {
    words(METHODS.iter().map(|m| m.id))
}

/// Groups of targets.
pub(crate) fn group_schema() -> RefOr<Schema> {
    words(Group::ALL.map(Group::id))
}

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
