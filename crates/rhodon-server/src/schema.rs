//! Schemas of what answers hold, for the OpenAPI document: words of the core as unions, the theme
//! document by reference.

use rhodon_formats::Group;
use rhodon_theme::scale::METHODS;
use rhodon_theme::{Level, Mode, Origin, Section, Severity, Share, TokenKind};
use utoipa::openapi::schema::{ArrayBuilder, OneOfBuilder, Schema, SchemaType, Type};
use utoipa::openapi::{ObjectBuilder, Ref, RefOr};

/// Name of the theme document among the schemas.
pub(crate) const SPEC: &str = "ThemeDocument";

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
