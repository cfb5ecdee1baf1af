//! `rhodon derive`
use std::path::Path;

use clap::Args;
use rhodon_theme::{Derived, Document, Mode, Resolved, derive};

use crate::document;
use crate::input::{self, Item};
use crate::output::{Failure, Printer};
use crate::report::{DeriveRefused, DeriveReport};

/// Shown below the help.
const EXAMPLES: &str = "\
Examples:
  rhodon derive theme.rhodon.json
  rhodon derive --brands \"#0f5c7a\" \"#e4572e\" --json";

#[derive(Debug, Args)]
#[command(after_help = EXAMPLES)]
pub struct DeriveArgs {
    /// Each line is a brand: one to eight colours separated by tabs. As arguments: one brand.
    #[arg(long)]
    pub brands: bool,
    /// A theme document, or colours with --brands; `-` or none reads standard input.
    pub values: Vec<String>,
}

pub fn run(args: &DeriveArgs, printer: &mut Printer) -> Result<(), Failure> {
    if args.brands {
        return brands(&args.values, printer);
    }
    let path = match args.values.as_slice() {
        [] => Path::new("-"),
        [one] => Path::new(one),
        more => {
            return Err(Failure::bad(format!(
                "expected one theme document, found {}",
                more.len()
            )));
        }
    };
    let theme = document::read(path)?;
    match derive(&theme) {
        Ok(derived) => print(&theme, &derived, printer),
        Err(problems) => {
            eprintln!("{}", document::told(&path.display().to_string(), &problems));
            printer.mark_bad();
            let refused = DeriveRefused {
                ok: false,
                error: problems.to_string(),
                problems: &problems.0,
            };
            printer.result(&refused, String::new)
        }
    }
}

fn brands(values: &[String], printer: &mut Printer) -> Result<(), Failure> {
    let stdin = values.is_empty() || values == ["-"];
    if !stdin {
        let item = Item {
            place: "arguments".to_owned(),
            text: values.join("\t"),
        };
        return brand(&item, printer);
    }
    input::each(values, printer, brand)
}

fn brand(item: &Item, printer: &mut Printer) -> Result<(), Failure> {
    let derived = input::brand(&item.text).and_then(|colors| {
        let theme = Resolved::alone(Document::from_brand("Theme", &colors));
        let derived = derive(&theme).map_err(|p| p.to_string())?;
        Ok((theme, derived))
    });
    match derived {
        Ok((theme, derived)) => print(&theme, &derived, printer),
        Err(e) => printer.refused(item, e),
    }
}

fn print(decided: &Resolved, theme: &Derived, printer: &mut Printer) -> Result<(), Failure> {
    printer.result(&DeriveReport::new(decided, theme), || {
        let mut lines: Vec<String> = Vec::with_capacity(theme.tokens.len() + 2);
        for token in &theme.tokens {
            let (light, dark) = (token.cell(Mode::Light), token.cell(Mode::Dark));
            let values = if token.is_modeless() {
                light.value.to_string()
            } else {
                format!("{}  {}", light.value, dark.value)
            };
            lines.push(format!("{:<28} {values}", token.path));
        }
        let failed = theme.pairs.iter().filter(|p| !p.pass).count();
        lines.push(format!(
            "{} tokens, {} pairs, {failed} below their limit",
            theme.tokens.len(),
            theme.pairs.len()
        ));
        lines.extend(theme.notes.iter().cloned());
        lines.join("\n")
    })
}
