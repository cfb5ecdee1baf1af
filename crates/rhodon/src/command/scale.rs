//! `rhodon scale`
use clap::Args;
use rhodon_color::Color;
use rhodon_theme::StepLabel;
use rhodon_theme::scale::{self, Method, Pin, Request, Scale, default_labels};
use serde::Serialize;

use crate::input;
use crate::input::Inputs;
use crate::output::{Failure, Printer};
use crate::report::StepReport;

/// Shown below the help.
const EXAMPLES: &str = "\
Examples:
  rhodon scale \"#0f5c7a\"
  rhodon scale --steps 1,2,3,4,5,6,7,8,9 --pin 6 \"#0f5c7a\"";

#[derive(Debug, Args)]
#[command(after_help = EXAMPLES)]
pub struct ScaleArgs {
    /// Step labels, light to dark, separated by commas.
    #[arg(long)]
    pub steps: Option<String>,
    /// natural, aligned or mix.
    #[arg(long, default_value = "natural")]
    pub method: String,
    /// The step that holds the colour.
    #[arg(long)]
    pub pin: Option<String>,
    /// Degrees of hue, -20 to 20, that dark steps are turned.
    #[arg(long, default_value_t = 0.0, allow_hyphen_values = true)]
    pub turn: f64,
    #[command(flatten)]
    pub inputs: Inputs,
}

#[derive(Serialize)]
struct Report<'a> {
    input: &'a str,
    ok: bool,
    steps: Vec<StepReport<'a>>,
    #[serde(skip_serializing_if = "<[String]>::is_empty")]
    notes: &'a [String],
}

pub fn run(args: &ScaleArgs, printer: &mut Printer) -> Result<(), Failure> {
    let method: Method = args
        .method
        .parse()
        .map_err(|e| Failure::bad(format!("--method: {e}, found {:?}", args.method)))?;
    let labels = match &args.steps {
        Some(list) => labels(list)?,
        None => default_labels(),
    };
    let pin = args.pin.as_deref().map(|p| label("--pin", p)).transpose()?;
    if !(-20.0..=20.0).contains(&args.turn) {
        return Err(Failure::bad(format!(
            "--turn: expected a number from -20 to 20, found {}",
            args.turn
        )));
    }
    let build = |text: &str| -> Result<Scale, String> {
        let color = Color::parse(text).map_err(|e| e.to_string())?.to_rgb8();
        let pins = vec![Pin {
            color,
            label: pin.clone(),
        }];
        let request = Request {
            method,
            labels: labels.clone(),
            pins,
            turn: args.turn,
            ..Request::around(color)
        };
        scale::build(&request).map_err(|e| e.to_string())
    };
    input::each(&args.inputs.values, printer, |item, printer| {
        match build(&item.text) {
            Ok(scale) => {
                let steps = StepReport::all(&scale.steps);
                printer.result(
                    &Report {
                        input: &item.text,
                        ok: true,
                        steps,
                        notes: &scale.notes,
                    },
                    || table(&scale),
                )
            }
            Err(e) => printer.refused(item, e),
        }
    })
}

fn labels(list: &str) -> Result<Vec<StepLabel>, Failure> {
    list.split(',')
        .map(|l| label("--steps", l.trim()))
        .collect()
}

fn label(option: &str, text: &str) -> Result<StepLabel, Failure> {
    text.parse()
        .map_err(|e| Failure::bad(format!("{option}: {text:?}: {e}")))
}

fn table(scale: &Scale) -> String {
    let row = |s: &scale::Step| {
        let pin = if s.pinned { "  pinned" } else { "" };
        format!("{:>6}  {}  L* {:5.1}{pin}", s.label, s.color, s.lightness)
    };
    scale
        .steps
        .iter()
        .map(row)
        .chain(scale.notes.iter().cloned())
        .collect::<Vec<_>>()
        .join("\n")
}
