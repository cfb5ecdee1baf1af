//! `rhodon color`
use rhodon_color::{Color, Notation};

use crate::input;
use crate::output::{Failure, Printer};
use crate::report::ColorReport;

pub fn run(values: &[String], printer: &mut Printer) -> Result<(), Failure> {
    input::each(values, printer, |item, printer| {
        match Color::parse(&item.text) {
            Ok(color) => {
                let report = ColorReport::new(&item.text, color);
                printer.result(&report, || {
                    let [rgb, hsl, oklch] =
                        [Notation::Rgb, Notation::Hsl, Notation::Oklch].map(|n| n.write(color));
                    format!(
                        "{}  {rgb}  {hsl}  {oklch}  luminance {:.4}",
                        report.hex, report.luminance
                    )
                })
            }
            Err(e) => printer.refused(item, e),
        }
    })
}
