//! `rhodon man` and `rhodon completions`: what the commands are, for people and for shells.
use clap_complete::Shell;
use clap_mangen::Man;

use crate::output::{Failure, Printer};

/// Prints what completes the commands in a shell.
pub fn completions(
    shell: Shell,
    whole: &mut clap::Command,
    printer: &mut Printer,
) -> Result<(), Failure> {
    let mut script = Vec::new();
    clap_complete::generate(shell, whole, "rhodon", &mut script);
    printer.bytes(&script)
}

/// Prints the manual: one page, with a section for each command.
pub fn run(whole: &clap::Command, printer: &mut Printer) -> Result<(), Failure> {
    let failed = |cause| Failure::Io {
        place: "the manual".to_owned(),
        cause,
    };
    let mut page = Vec::new();
    Man::new(whole.clone()).render(&mut page).map_err(failed)?;
    for command in whole.get_subcommands() {
        section(command, &mut page).map_err(failed)?;
    }
    printer.bytes(&page)
}

fn section(command: &clap::Command, page: &mut Vec<u8>) -> std::io::Result<()> {
    let name = format!("rhodon {}", command.get_name());
    let man = Man::new(command.clone().display_name(&name));
    page.extend(format!(".SH \"{}\"\n", name.to_uppercase()).bytes());
    man.render_synopsis_section(page)?;
    man.render_description_section(page)?;
    man.render_options_section(page)?;
    man.render_extra_section(page)
}
