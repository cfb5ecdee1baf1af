//! `rhodon contrast`
use rhodon_color::{Color, contrast_ratio, difference};
use serde::Serialize;

use crate::input::{self, Item};
use crate::output::{Failure, Printer};

#[derive(Serialize)]
struct Report {
    ratio: f64,
    difference: f64,
}

pub fn run(values: &[String], printer: &mut Printer) -> Result<(), Failure> {
    // Two arguments are one pair.
    if let [fg, bg] = values {
        let item = Item {
            place: "arguments".to_owned(),
            text: serde_json::json!([fg, bg]).to_string(),
        };
        return pair(&item, printer);
    }
    if !values.is_empty() && values != ["-"] {
        return Err(Failure::bad(format!(
            "expected two colours, found {}",
            values.len()
        )));
    }
    input::each(values, printer, pair)
}

fn pair(item: &Item, printer: &mut Printer) -> Result<(), Failure> {
    match measured(&item.text) {
        Ok(report) => printer.result(&report, || {
            format!(
                "{:.2} : 1, difference {:.2}",
                report.ratio, report.difference
            )
        }),
        Err(e) => printer.refused(item, e),
    }
}

fn measured(text: &str) -> Result<Report, String> {
    let [fg, bg]: [String; 2] = serde_json::from_str(text).map_err(|_| {
        "expected a JSON array of two colours, such as [\"#fff\",\"#767676\"]".to_owned()
    })?;
    let code = |text: &str| {
        Color::parse(text)
            .map(Color::to_rgb8)
            .map_err(|e| format!("{text:?}: {e}"))
    };
    let (fg, bg) = (code(&fg)?, code(&bg)?);
    Ok(Report {
        ratio: contrast_ratio(fg, bg),
        difference: difference(fg, bg),
    })
}
