//! Changes that need the rules: the server applies them to the document at hand.

use axum::Json;
use axum::extract::State;
use axum::http::HeaderMap;
use axum::response::Response;
use rhodon_color::{Color, Rgb8};
use rhodon_formats::rename_in_options;
use rhodon_theme::{
    Changed, Document, IntentChoice, NewBrand, NewToken, Operation, Provenance, Resolved, Slug,
    StepLabel, Typed, apply,
};
use serde::{Deserialize, Serialize};
use serde_json::Value;
use utoipa::ToSchema;

use crate::bench::Bench;
use crate::error::ApiError;
use crate::json::JsonBody;
use crate::path::Path;
use crate::saving::{self, Edit, base_revision, checked_label};
use crate::theme_view::ThemeView;

/// One change that is more than a value.
#[derive(Clone, Debug, Deserialize, ToSchema)]
#[serde(tag = "do", rename_all = "kebab-case", deny_unknown_fields)]
pub enum ChangeInput {
    /// Adds brand colours, each under a free name and slug.
    AddBrand {
        /// The colours, in order.
        colors: Vec<NewColor>,
    },
    /// Adds own tokens, each under a path made from its name.
    AddTokens {
        /// The tokens, in order.
        tokens: Vec<NewColor>,
    },
    /// Gives a brand colour another name; its slug follows while it was made from the name.
    RenameBrand {
        /// Slug of the brand colour.
        brand: String,
        /// Its new name.
        name: String,
        /// A slug set by hand.
        slug: Option<String>,
    },
    /// Removes a brand colour; what hangs on it is taken along or moved.
    RemoveBrand {
        /// Slug of the brand colour.
        brand: String,
    },
    /// Puts a brand colour at another place in the order.
    MoveBrand {
        /// Slug of the brand colour.
        brand: String,
        /// Its new place, from 0.
        to: usize,
    },
    /// Gives an intent of the user's own another name; what hangs on it follows.
    RenameIntent {
        /// Name of the intent.
        intent: String,
        /// Its new name.
        to: String,
    },
    /// Sets what an intent is painted with; without a scale and a colour it goes back to derived,
    /// and one of the user's own goes.
    SetIntent {
        /// Name of the intent.
        intent: String,
        /// Slug of a brand colour.
        scale: Option<String>,
        /// Any CSS colour.
        color: Option<String>,
    },
    /// Gives decisions of a child back to its parent, or to what is derived.
    GiveBack {
        /// Their places, as the lineage of the document tells them.
        places: Vec<String>,
    },
    /// Leaves out of exports the steps that nothing refers to; the notes tell which.
    LeaveOutUnused {
        /// Slug of a scale; all of them without it.
        scale: Option<String>,
    },
    /// Mends every finding of a kind that can be mended without harm; the notes tell how.
    MendFindings {
        /// The kind, as in `contrast`.
        kind: String,
    },
}

/// A brand colour to be.
#[derive(Clone, Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct NewColor {
    name: String,
    /// Any CSS colour.
    color: String,
    /// Where it came from, as documents keep it.
    #[serde(default)]
    #[schema(schema_with = crate::schema::provenance_schema)]
    from: Option<Value>,
    /// Steps that its scale takes over as they are, from light to dark; none to make them.
    #[serde(default)]
    steps: Vec<NewStep>,
}

/// A step that a new scale takes over.
#[derive(Clone, Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct NewStep {
    label: String,
    /// Six digits behind `#`.
    hex: String,
}

impl NewStep {
    fn read(&self, at: &str) -> Result<(StepLabel, Rgb8), ApiError> {
        let label = self.label.parse();
        let label = label.map_err(|e| {
            ApiError::value(&format!("{at}/label"), format!("\"{}\": {e}", self.label))
        })?;
        let code = self.hex.parse();
        let code = code
            .map_err(|e| ApiError::value(&format!("{at}/hex"), format!("\"{}\": {e}", self.hex)))?;
        Ok((label, code))
    }
}

impl NewColor {
    /// The colour as the core takes it; `at` is where the list stands in the body.
    pub(super) fn brand(self, at: &str, index: usize) -> Result<NewBrand, ApiError> {
        let from = self.from.as_ref().map(Provenance::parse).transpose();
        let steps = self.steps.iter().enumerate();
        let steps = steps.map(|(i, step)| step.read(&format!("{at}/{index}/steps/{i}")));
        Ok(NewBrand {
            name: self.name.trim().to_owned(),
            color: self.color,
            from: from.map_err(|p| ApiError::invalid(&format!("{at}/{index}/from"), p))?,
            steps: steps.collect::<Result<_, _>>()?,
        })
    }

    /// A list of them.
    pub(super) fn brands(colors: Vec<Self>, at: &str) -> Result<Vec<NewBrand>, ApiError> {
        let brand = |(i, new): (usize, Self)| new.brand(at, i);
        colors.into_iter().enumerate().map(brand).collect()
    }
}

impl ChangeInput {
    fn operation(self) -> Result<Operation, ApiError> {
        Ok(match self {
            Self::AddBrand { colors } => {
                Operation::AddBrand(NewColor::brands(colors, "/change/colors")?)
            }
            Self::AddTokens { tokens } => {
                let token = |new: NewColor| NewToken {
                    name: new.name,
                    color: new.color,
                };
                Operation::AddTokens(tokens.into_iter().map(token).collect())
            }
            Self::RenameBrand {
                brand,
                name,
                slug: wanted,
            } => Operation::RenameBrand {
                brand: slug("/change/brand", &brand)?,
                name: name.trim().to_owned(),
                slug: wanted
                    .map(|wanted| slug("/change/slug", &wanted))
                    .transpose()?,
            },
            Self::RemoveBrand { brand } => Operation::RemoveBrand(slug("/change/brand", &brand)?),
            Self::MoveBrand { brand, to } => Operation::MoveBrand {
                brand: slug("/change/brand", &brand)?,
                to,
            },
            Self::RenameIntent { intent, to } => Operation::RenameIntent {
                intent: slug("/change/intent", intent.trim())?,
                to: slug("/change/to", to.trim())?,
            },
            Self::SetIntent {
                intent,
                scale,
                color,
            } => Operation::SetIntent {
                intent: slug("/change/intent", intent.trim())?,
                paint: choice(scale, color)?,
            },
            Self::GiveBack { places } => Operation::GiveBack(places),
            Self::LeaveOutUnused { scale } => {
                let scale = scale.map(|scale| slug("/change/scale", &scale));
                Operation::LeaveOutUnused(scale.transpose()?)
            }
            Self::MendFindings { kind } => Operation::MendFindings(kind),
        })
    }
}

fn choice(scale: Option<String>, color: Option<String>) -> Result<Option<IntentChoice>, ApiError> {
    if let Some(scale) = scale {
        return Ok(Some(IntentChoice::Scale(slug("/change/scale", &scale)?)));
    }
    let Some(text) = color else { return Ok(None) };
    let color = Typed::<Color>::from_field(&text);
    let color = color.map_err(|e| ApiError::value("/change/color", e.to_string()))?;
    Ok(Some(IntentChoice::Color(color)))
}

pub(super) fn slug(pointer: &str, text: &str) -> Result<Slug, ApiError> {
    text.parse()
        .map_err(|e| ApiError::value(pointer, format!("\"{text}\": {e}")))
}

/// A document and a change of it.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct TryChange {
    #[schema(schema_with = crate::schema::spec_schema)]
    spec: Value,
    change: ChangeInput,
}

/// What a change comes to.
#[derive(Debug, Serialize, ToSchema)]
pub struct ChangedView {
    #[schema(schema_with = crate::schema::spec_schema)]
    spec: Value,
    /// What else it changes, in sentences.
    notes: Vec<String>,
}

/// Applies a change to a document that need not be saved, and tells what hangs on it.
#[utoipa::path(
    post, path = "/change", operation_id = "try_change", request_body = TryChange,
    responses((status = 200, body = ChangedView), (status = 422, body = ApiError))
)]
pub(crate) async fn try_change(
    State(bench): State<Bench>,
    JsonBody(body): JsonBody<TryChange>,
) -> Result<Json<ChangedView>, ApiError> {
    let theme = bench.read(body.spec).await?;
    let changed = changed(&bench, theme, body.change).await?.1;
    Ok(Json(ChangedView {
        spec: changed.document.to_json(),
        notes: changed.notes,
    }))
}

async fn changed(
    bench: &Bench,
    theme: Resolved,
    change: ChangeInput,
) -> Result<(Resolved, Changed), ApiError> {
    let operation = change.operation()?;
    let job = move || {
        let mut changed = apply(&operation, &theme)?;
        if let Operation::RenameBrand { brand, .. } = &operation {
            follow(theme.document(), &mut changed.document, brand);
        }
        Ok((theme, changed))
    };
    bench
        .work
        .run(job)
        .await?
        .map_err(|p| ApiError::invalid("/spec", p))
}

/// Lets options of targets follow a brand colour that got another slug in its place.
fn follow(before: &Document, after: &mut Document, brand: &Slug) {
    let mut old = before.brand.iter();
    let place = old.position(|color| color.slug == *brand);
    let renamed = place.and_then(|place| after.brand.get(place));
    if let Some(to) = renamed.map(|color| color.slug.clone()) {
        rename_in_options(after, brand, &to);
    }
}

/// A change to save as a new revision.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ChangeRequest {
    change: ChangeInput,
    /// What was changed, in words.
    label: String,
    /// Whether the answer tells what the screens show of the saved document.
    #[serde(default)]
    preview: bool,
}

/// Applies a change to the current document of a theme and saves it as a new revision.
#[utoipa::path(
    post, path = "/themes/{slug}/change", operation_id = "change_theme", request_body = ChangeRequest,
    params(("slug" = String, Path,), ("If-Match" = String, Header,)),
    responses(
        (status = 200, body = ThemeView), (status = 404, body = ApiError),
        (status = 409, body = ApiError), (status = 422, body = ApiError)
    )
)]
pub(crate) async fn change(
    State(bench): State<Bench>,
    Path(slug): Path<String>,
    headers: HeaderMap,
    JsonBody(body): JsonBody<ChangeRequest>,
) -> Result<Response, ApiError> {
    let base = base_revision(&bench, &slug, &headers).await?;
    let label = checked_label(&body.label)?;
    let current = bench.store.get(&slug).await?;
    let before = bench.read(current.revision.spec).await?;
    let (before, changed) = changed(&bench, before, body.change).await?;
    let edit = Edit {
        slug: &slug,
        base,
        label: &label,
        topic: None,
    };
    let before = body.preview.then_some(Some(before));
    saving::save(&bench, &changed.document, edit, before).await
}
