//! Every colour in use in the files of a project, and how they set text and corners.

use axum::Json;
use axum::extract::State;
use axum::extract::rejection::JsonRejection;
use axum::http::StatusCode;
use rhodon_color::Rgb8;
use rhodon_formats::inventory::{Inventory, NEAR, NamedSteps, Used, inventory};
use rhodon_formats::read::{InputFile, readable};
use rhodon_formats::type_use::{RoleUse, TypeInUse, TypeUse, type_in_use};
use rhodon_theme::{Mode, Role};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::read::InputFileView;
use crate::bench::Bench;
use crate::error::ApiError;

/// The largest body, in bytes: the texts of a project.
pub(crate) const MAX_BODY: usize = 32 * 1024 * 1024;
/// The most colours that are told, and places of each.
const MOST: (usize, usize) = (600, 200);
/// The most that two colours may differ and still be nearly the same.
const MOST_NEAR: f64 = 20.0;

/// The files of a project.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct InventoryRequest {
    files: Vec<InputFileView>,
    /// CIEDE2000 up to which colours are nearly the same, 0 to 20; 2.3 where none is given.
    near: Option<f64>,
}

/// What they use.
#[derive(Debug, Serialize, ToSchema)]
pub struct InventoryView {
    /// Most used first.
    colors: Vec<UsedView>,
    /// How many more there are.
    more: usize,
    scales: Vec<NamedStepsView>,
    skipped: Vec<SkippedView>,
    /// How style sheets and pages set text and corners.
    #[serde(rename = "type")]
    typography: TypeInUseView,
}

/// What files say of type and shape; what none says is absent.
#[derive(Debug, Serialize, ToSchema)]
pub struct TypeInUseView {
    /// Each of them, in words.
    told: Vec<TypeUseView>,
    /// Families, as documents keep them.
    #[serde(skip_serializing_if = "Option::is_none")]
    body: Option<Vec<String>>,
    #[serde(skip_serializing_if = "Option::is_none")]
    heading: Option<Vec<String>>,
    #[serde(skip_serializing_if = "Option::is_none")]
    mono: Option<Vec<String>>,
    /// Addresses of web-font style sheets.
    #[serde(skip_serializing_if = "Option::is_none")]
    import: Option<Vec<String>>,
    /// Size of running text in px.
    #[serde(skip_serializing_if = "Option::is_none")]
    base: Option<f64>,
    /// Weights of running text, and of headings.
    #[serde(skip_serializing_if = "Option::is_none")]
    regular: Option<u16>,
    #[serde(skip_serializing_if = "Option::is_none")]
    bold: Option<u16>,
    /// Corner radius in px.
    #[serde(skip_serializing_if = "Option::is_none")]
    radius: Option<f64>,
    /// The ground of the pages.
    #[serde(skip_serializing_if = "Option::is_none")]
    page: Option<PageUseView>,
    /// Roles: what pages stand on, text, lines and links.
    roles: Vec<RoleUseView>,
    /// Addresses of faces that no document takes.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    #[schema(default)]
    left: Vec<String>,
}

/// A role as a project has it; what it says of no mode is absent.
#[derive(Debug, Serialize, ToSchema)]
pub struct RoleUseView {
    /// Its path, as in `text.main`.
    role: &'static str,
    #[serde(skip_serializing_if = "Option::is_none")]
    light: Option<String>,
    #[serde(skip_serializing_if = "Option::is_none")]
    dark: Option<String>,
}

/// The ground of a project's pages.
#[derive(Debug, Serialize, ToSchema)]
pub struct PageUseView {
    hex: String,
    /// `light` or `dark`: the mode of which it is the page.
    mode: &'static str,
}

/// One thing that files set.
#[derive(Debug, Serialize, ToSchema)]
pub struct TypeUseView {
    /// The setting that it becomes.
    key: &'static str,
    value: String,
    /// The selector, variable or rule that says so.
    by: String,
}

/// A colour in use.
#[derive(Debug, Serialize, ToSchema)]
pub struct UsedView {
    /// Its code, with the opacity where it has one.
    hex: String,
    /// A readable name: one that it goes by, or one for its look.
    name: String,
    count: usize,
    /// Variables, keys and resources whose value it is.
    names: Vec<String>,
    /// The first places.
    places: Vec<PlaceInFile>,
    /// Codes that are nearly the same, the most used first.
    near: Vec<String>,
}

/// Where a colour stands.
#[derive(Debug, Serialize, ToSchema)]
pub struct PlaceInFile {
    file: String,
    /// From 1.
    line: usize,
    /// In characters, from 1.
    column: usize,
    /// Its spelling.
    text: String,
}

/// A scale, recognised by the names of its steps.
#[derive(Debug, Serialize, ToSchema)]
pub struct NamedStepsView {
    name: String,
    /// The code that it is known by.
    base: String,
    /// Codes in the order of their numbers.
    steps: Vec<StepOfScale>,
}

/// A step of it.
#[derive(Debug, Serialize, ToSchema)]
pub struct StepOfScale {
    number: u32,
    hex: String,
}

/// A file that was not looked into.
#[derive(Debug, Serialize, ToSchema)]
pub struct SkippedView {
    file: String,
    why: String,
}

/// Takes stock of the colours in files: how often, under which names, where, and which are nearly
/// the same.
#[utoipa::path(
    post, path = "/inventory", request_body = InventoryRequest, operation_id = "take_inventory",
    responses((status = 200, body = InventoryView), (status = 422, body = ApiError))
)]
pub(crate) async fn take(
    State(bench): State<Bench>,
    body: Result<Json<InventoryRequest>, JsonRejection>,
) -> Result<Json<InventoryView>, ApiError> {
    let Json(body) = body.map_err(refused)?;
    let near = body.near.unwrap_or(NEAR);
    if !(0.0..=MOST_NEAR).contains(&near) {
        let message = format!("expected 0 to {MOST_NEAR}, found {near}");
        return Err(ApiError::value("/near", message));
    }
    let files: Vec<InputFile> = body.files.into_iter().map(InputFile::from).collect();
    let take = move || (inventory(&files, near), type_in_use(&files));
    let (found, typography) = bench.work.run(take).await?;
    Ok(Json(view(found, typography)))
}

fn refused(rejection: JsonRejection) -> ApiError {
    let status = rejection.status();
    if status != StatusCode::PAYLOAD_TOO_LARGE {
        return rejection.into();
    }
    let detail = format!(
        "expected at most {} MB of text in all files together",
        MAX_BODY / 1_000_000
    );
    ApiError::new(
        status,
        "/problems/too-large",
        "The files are too large",
        detail,
    )
}

fn view(found: Inventory, typography: TypeInUse) -> InventoryView {
    InventoryView {
        more: found.colors.len().saturating_sub(MOST.0),
        colors: found.colors.into_iter().take(MOST.0).map(used).collect(),
        scales: found
            .scales
            .into_iter()
            .filter_map(|scale| steps(scale, &typography.leading))
            .collect(),
        skipped: found
            .skipped
            .into_iter()
            .map(|(file, why)| SkippedView { file, why })
            .collect(),
        typography: typography.into(),
    }
}

impl From<TypeInUse> for TypeInUseView {
    fn from(found: TypeInUse) -> Self {
        let TypeInUse {
            faces,
            shape,
            roles,
            told,
            left,
            instead: _,
            leading: _,
            of_other: _,
        } = found;
        Self {
            page: roles.iter().find_map(page),
            roles: roles.iter().map(role).collect(),
            left,
            told: told
                .into_iter()
                .map(|TypeUse { setting, value, by }| TypeUseView {
                    key: setting.key(),
                    value,
                    by,
                })
                .collect(),
            import: faces.import.map(|sheets| sheets.addresses().to_vec()),
            body: faces.body,
            heading: faces.heading,
            mono: faces.mono,
            base: faces.base,
            regular: faces.regular,
            bold: faces.bold,
            radius: shape.radius,
        }
    }
}

/// The ground of the pages, where a role is that: in light mode before that in dark.
fn page(found: &RoleUse) -> Option<PageUseView> {
    let mut modes = Mode::BOTH.into_iter().zip(found.codes);
    let is_page = found.role == Role::SURFACE_BASE;
    modes.find_map(|(mode, code)| {
        Some(PageUseView {
            hex: code.filter(|_| is_page)?.to_string(),
            mode: mode.id(),
        })
    })
}

fn role(found: &RoleUse) -> RoleUseView {
    let [light, dark] = found.codes.map(|code| code.map(|code| code.to_string()));
    RoleUseView {
        role: found.role.path(),
        light,
        dark,
    }
}

fn used(used: Used) -> UsedView {
    UsedView {
        name: used.readable(),
        count: used.places.len(),
        hex: used.hex,
        names: used.names,
        near: used.near,
        places: used
            .places
            .into_iter()
            .take(MOST.1)
            .map(|place| PlaceInFile {
                file: place.file.to_string(),
                line: place.line,
                column: place.column,
                text: place.text,
            })
            .collect(),
    }
}

fn steps(scale: NamedSteps, painted_with: &[Rgb8]) -> Option<NamedStepsView> {
    let base = scale.base(painted_with)?.to_owned();
    let step = |(number, hex): (u32, String)| StepOfScale { number, hex };
    Some(NamedStepsView {
        name: readable(&scale.name),
        base,
        steps: scale.steps.into_iter().map(step).collect(),
    })
}
