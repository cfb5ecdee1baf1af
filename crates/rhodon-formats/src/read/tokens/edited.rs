//! Files that Rhodon wrote: the document stands in them. What somebody changed in the tokens
//! since becomes a decision.

use foldhash::HashMap;
use rhodon_color::Color;
use rhodon_theme::{
    Derived, Document, KeptPath, Level, Mode, ModeValues, Resolved, Section, Token, TokenKind,
    TokenPath, Typed, Written, derive,
};
use serde_json::Value;

use super::foreign::{self, Names};
use super::table::{Raw, Table};
use super::{Tables, value};
use crate::read::import::Import;
use crate::source::Source;
use crate::stamp::Stamp;
use crate::write::tokens::TARGET;

/// The document with the changes of the files.
pub(super) fn apply(spec: Document, tables: &Tables, import: &mut Import) -> Document {
    if spec.extends.is_some() {
        import.notes.push(
            "the parent theme is not in the files: changes made in them are not looked for"
                .to_owned(),
        );
        return spec;
    }
    let decided = Resolved::alone(spec);
    let Ok(derived) = derive(&decided) else {
        return decided.merged;
    };
    let Some(before) = written(&decided, &derived) else {
        return decided.merged;
    };
    let mut spec = decided.merged.clone();
    take_changes(&mut spec, &derived, tables, &before, import);
    take_raised(&mut spec, &derived, tables, &before, import);
    add_new(&mut spec, tables, &before, import);
    spec
}

/// The tables of the files as they would be written now.
fn written(decided: &Resolved, derived: &Derived) -> Option<Tables> {
    let stamp = Stamp::default();
    let source = Source::alone(decided, derived, &stamp);
    let files = TARGET
        .export(&source, TARGET.settings([]).ok()?)
        .ok()?
        .files;
    let json = |name: &str| {
        let file = files
            .iter()
            .find(|f| f.path == format!("tokens{name}.json"))?;
        serde_json::from_str::<Value>(&file.text).ok()
    };
    let (light, dark) = (json("")?, json(".dark")?);
    let mut ignored = Vec::new();
    let mut raised = |name| match json(name) {
        Some(more) => Table::read(&[("", &more)], &mut ignored),
        None => Table::default(),
    };
    let more = [raised(".light-more"), raised(".dark-more")];
    Some(Tables {
        light: Table::read(&[("", &light)], &mut ignored),
        dark: Table::read(&[("", &light), ("", &dark)], &mut ignored),
        has_dark: true,
        more,
    })
}

/// Values that differ from those that were written.
fn take_changes(
    spec: &mut Document,
    derived: &Derived,
    tables: &Tables,
    before: &Tables,
    import: &mut Import,
) {
    let known: HashMap<&str, &Token> = derived.tokens.iter().map(|t| (&*t.path, t)).collect();
    let modes = [
        (Mode::Light, &tables.light, &before.light),
        (Mode::Dark, &tables.dark, &before.dark),
    ];
    for (mode, table, old) in modes {
        if mode == Mode::Dark && !tables.has_dark {
            continue;
        }
        for (path, raw) in &table.0 {
            // One value for both modes was compared with the light ones.
            let told = |t: &&Token| {
                mode == Mode::Dark && t.is_modeless() && same(tables.light.find(path), raw)
            };
            let token = known.get(path.as_str()).copied();
            if !old.0.contains_key(path)
                || same(old.0.get(path), raw)
                || token.as_ref().is_some_and(told)
            {
                continue;
            }
            match token {
                Some(token) => Change {
                    spec,
                    derived,
                    token,
                    raw,
                    mode,
                    level: Level::Usual,
                }
                .apply(tables, import),
                // Only what was kept is in the files without being derived.
                None => {
                    spec.kept.extend(
                        path.parse()
                            .ok()
                            .map(|path: KeptPath| (path, raw.json.clone())),
                    );
                }
            }
        }
    }
}

/// Values for more contrast that differ from those that were written, where the document makes such.
fn take_raised(
    spec: &mut Document,
    derived: &Derived,
    tables: &Tables,
    before: &Tables,
    import: &mut Import,
) {
    if derived.more.is_none() {
        return;
    }
    for mode in Mode::BOTH {
        let old = &before.more[mode as usize];
        for (path, raw) in &tables.more[mode as usize].0 {
            let Some(token) = derived.token(path).filter(|_| !same(old.0.get(path), raw)) else {
                continue;
            };
            let level = Level::More;
            let change = Change {
                spec,
                derived,
                token,
                raw,
                mode,
                level,
            };
            change.apply(tables, import);
        }
    }
}

fn same(a: Option<&Raw>, b: &Raw) -> bool {
    a.is_some_and(|a| a.value() == b.value())
}

/// Tokens that somebody added to the files.
fn add_new(spec: &mut Document, tables: &Tables, before: &Tables, import: &mut Import) {
    let new = |table: &Table| {
        let added = table
            .0
            .iter()
            .filter(|(path, _)| !before.light.0.contains_key(*path));
        Table(
            added
                .map(|(path, raw)| (path.clone(), raw.clone()))
                .collect(),
        )
    };
    let (light, dark) = (new(&tables.light), new(&tables.dark));
    let mut names = Names::new(&light, &dark, spec, import);
    names.add_known(before.light.0.keys());
    for (path, raw) in light.0.iter().chain(&dark.0) {
        foreign::add(spec, path, raw, tables, &names, import);
    }
    spec.tokens.sort_keys();
    spec.kept.sort_keys();
}

/// A value that differs from the one that follows from the document.
struct Change<'a> {
    spec: &'a mut Document,
    derived: &'a Derived,
    token: &'a Token,
    raw: &'a Raw,
    mode: Mode,
    level: Level,
}

impl Change<'_> {
    fn apply(self, tables: &Tables, import: &mut Import) {
        let (raw, path) = (self.raw, self.token.path.clone());
        let text = match self.text(tables) {
            Ok(text) => text,
            Err(message) => {
                return import.refuse(self.raw, &self.token.path, message);
            }
        };
        let taken = match self.token.section {
            Section::Scales | Section::Own if self.level == Level::More => {
                self.leave("its value at the usual contrast", import);
                Ok(())
            }
            Section::Scales => text
                .parse()
                .map(|color| self.step(color))
                .map_err(|e| e.to_string()),
            Section::Roles => {
                Typed::<Written>::parse(&text, TokenKind::Color).map(|value| self.role(value))
            }
            Section::Own => {
                Typed::<Written>::parse(&text, self.token.kind).map(|value| self.own(value))
            }
            Section::Type | Section::Shape => {
                let from = "the type and shape of the theme";
                self.leave(from, import);
                Ok(())
            }
        };
        if let Err(message) = taken {
            import.refuse(raw, &path, message);
        }
    }

    /// A change that is no decision.
    fn leave(&self, from: &str, import: &mut Import) {
        let path = &self.token.path;
        let note = format!("{path} follows from {from}: its change was not taken over");
        if !import.notes.contains(&note) {
            import.notes.push(note);
        }
    }

    /// The new value as a document writes it.
    fn text(&self, tables: &Tables) -> Result<String, String> {
        match self.raw.alias() {
            None => value::text(self.raw.value(), self.token.kind),
            Some(alias) => match tables
                .light
                .find(&alias)
                .or_else(|| tables.dark.find(&alias))
            {
                Some(target) => Ok(format!("{{{}}}", target.names.join("."))),
                None => Err(format!("no token \"{alias}\" to refer to")),
            },
        }
    }

    /// A step's new colour is a pin; the brand colour's own step is the brand colour.
    fn step(self, color: Typed<Color>) {
        let Some((slug, label)) = self.token.path.split_once('.') else {
            return;
        };
        let scale = self.derived.scales.iter().find(|s| s.slug.as_str() == slug);
        let is_own = scale.is_some_and(|s| s.scale.base_step().label.as_str() == label);
        if let Some(brand) = self.spec.brand.iter_mut().find(|b| b.slug.as_str() == slug)
            && is_own
        {
            brand.color = color;
            return;
        }
        if let (Ok(slug), Ok(label)) = (slug.parse(), label.parse()) {
            self.spec
                .scales
                .entry(slug)
                .or_default()
                .pins
                .insert(label, color);
            self.spec.scales.sort_keys();
        }
    }

    fn role(self, value: Typed<Written>) {
        let Ok(path) = self.token.path.parse::<TokenPath>() else {
            return;
        };
        let roles = self.spec.roles_at_mut(self.level);
        let values: &mut ModeValues = roles.entry(path).or_default();
        *values.slot(self.mode) = Some(value);
        roles.sort_keys();
    }

    fn own(self, value: Typed<Written>) {
        let Ok(path) = self.token.path.parse::<TokenPath>() else {
            return;
        };
        let Some(own) = self.spec.tokens.get_mut(&path) else {
            return;
        };
        if self.token.is_modeless() && self.mode == Mode::Light {
            own.value = Some(value);
            return;
        }
        // One value for both modes gives way to one each.
        if let Some(both) = own.value.take() {
            own.light.get_or_insert_with(|| both.clone());
            own.dark.get_or_insert(both);
        }
        match self.mode {
            Mode::Light => own.light = Some(value),
            Mode::Dark => own.dark = Some(value),
        }
    }
}
