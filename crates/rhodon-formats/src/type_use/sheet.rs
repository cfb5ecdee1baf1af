//! What style sheets declare, in their order: enough of them to know how text and corners are set.

use std::collections::HashMap;

use cssparser::{Parser, ParserInput};
use rhodon_theme::Mode;

use super::font;
use super::layer::{Around, of_both};
use crate::style_walk::{Visitor, walk};

/// How often a variable may lead to another one.
const MAX_STEPS: usize = 12;
/// Rules whose blocks hold for everybody; what holds for some screens alone says nothing of the rest.
const FOR_ALL: [&str; 5] = ["@layer", "@supports", "@scope", "@at-root", "@theme"];

/// A declaration within a rule.
#[derive(Debug)]
pub(super) struct Declared {
    /// Selectors of the innermost rule around it.
    pub(super) selectors: Vec<String>,
    /// The property, in small letters.
    pub(super) property: String,
    pub(super) value: String,
}

impl Declared {
    /// Whether it sets a property for a selector.
    pub(super) fn is(&self, selector: &str, property: &str) -> bool {
        self.property == property && self.selectors.iter().any(|s| s == selector)
    }
}

/// A variable of a style sheet, or of a dialect of it.
#[derive(Clone, Debug)]
pub(super) struct Variable {
    /// Its name with the sign before it.
    pub(super) name: String,
    pub(super) value: String,
    /// Whether it is one of all pages, and not of a part.
    pub(super) is_of_all: bool,
}

/// Selectors of all that there is.
const ALL: [&str; 5] = [":root", "html", "body", ":host", "*"];

/// Declarations that hold together.
#[derive(Debug, Default)]
pub(super) struct Layer {
    pub(super) rules: Vec<Declared>,
    pub(super) variables: Vec<Variable>,
    /// Where the last declaration of a variable stands.
    by_name: HashMap<String, usize>,
}

impl Layer {
    fn add(&mut self, variable: Variable) {
        // What a part has is its own.
        if variable.is_of_all || !self.by_name.contains_key(&variable.name) {
            let name = variable.name.clone();
            self.by_name.insert(name, self.variables.len());
        }
        self.variables.push(variable);
    }

    /// The value of a variable, as it was declared last.
    fn value(&self, name: &str) -> Option<&str> {
        let at = self.by_name.get(name)?;
        Some(&self.variables[*at].value)
    }
}

/// What the style sheets of a project declare.
#[derive(Debug, Default)]
pub(super) struct Sheet {
    /// What holds for everybody, where no mode says otherwise.
    pub(super) usual: Layer,
    /// What holds in one mode alone.
    modes: [Layer; 2],
    /// Addresses of other sheets on the web.
    pub(super) imports: Vec<String>,
}

impl Sheet {
    /// What holds in a mode alone.
    pub(super) fn only(&self, mode: Mode) -> &Layer {
        &self.modes[mode as usize]
    }

    /// Names of variables of all pages in their order, each once for every time that it is declared.
    pub(super) fn names_of_all(&self) -> impl Iterator<Item = &str> {
        let layers = std::iter::once(&self.usual).chain(&self.modes);
        let variables = layers.flat_map(|layer| &layer.variables);
        let of_all = variables.filter(|variable| variable.is_of_all);
        of_all.map(|variable| &*variable.name)
    }

    /// The value of a variable.
    pub(super) fn value(&self, name: &str) -> Option<String> {
        self.resolved(self.usual.value(name)?)
    }

    /// Takes in a variable. What is said for the light mode alone is what is usual where nothing else is.
    pub(super) fn declare(&mut self, mode: Option<Mode>, variable: Variable) {
        if mode == Some(Mode::Light) && self.usual.value(&variable.name).is_none() {
            self.usual.add(variable.clone());
        }
        self.layer(mode).add(variable);
    }

    fn layer(&mut self, mode: Option<Mode>) -> &mut Layer {
        match mode {
            Some(mode) => &mut self.modes[mode as usize],
            None => &mut self.usual,
        }
    }

    /// Takes in another style sheet, after those before.
    pub(super) fn read(&mut self, text: &str) {
        walk(text, self, &Around::default());
    }

    /// The last value of a property under a selector that can be read.
    pub(super) fn last<T>(
        &self,
        selector: &str,
        property: &str,
        read: impl Fn(&str) -> Option<T>,
    ) -> Option<T> {
        let read = |rule: &Declared| read(&self.resolved(&rule.value)?);
        last(&self.usual, selector, property, read)
    }

    /// The same as it is in a mode.
    pub(super) fn last_in<T>(
        &self,
        mode: Mode,
        selector: &str,
        property: &str,
        read: impl Fn(&str) -> Option<T>,
    ) -> Option<T> {
        let read = |rule: &Declared| read(&self.resolved_in(mode, &rule.value)?);
        last(self.only(mode), selector, property, read)
            .or_else(|| last(&self.usual, selector, property, read))
    }

    /// The value of a variable as it is in a mode.
    pub(super) fn value_in(&self, mode: Mode, name: &str) -> Option<String> {
        let own = self.only(mode).value(name);
        self.resolved_in(mode, own.or_else(|| self.usual.value(name))?)
    }

    /// A value with the variables in it followed; none where one of them is not known.
    pub(super) fn resolved(&self, value: &str) -> Option<String> {
        followed(value, |name| self.usual.value(name))
    }

    /// The same as it is in a mode.
    fn resolved_in(&self, mode: Mode, value: &str) -> Option<String> {
        let own = |name: &str| {
            self.only(mode)
                .value(name)
                .or_else(|| self.usual.value(name))
        };
        let value = followed(value, own)?;
        Some(of_both(&value, mode).to_owned())
    }
}

impl Visitor for Sheet {
    type Around = Around;

    fn enter(&mut self, prelude: &str, around: &Around) -> Option<Around> {
        if prelude.starts_with('@') {
            return around.at_rule(prelude, &FOR_ALL);
        }
        let selectors: Vec<String> = prelude.split(',').map(|s| one_space(s.trim())).collect();
        around.rule(&selectors)
    }

    fn statement(&mut self, text: &str, _at: usize, around: &Around) {
        let text = text.trim();
        if let Some(what) = text.strip_prefix("@import") {
            self.imports.extend(address(what));
            return;
        }
        let Some((name, value)) = text.split_once(':') else {
            return;
        };
        let (name, value) = (name.trim(), written(value));
        if name.starts_with(['$', '@']) || name.starts_with("--") {
            let (name, value) = (name.to_owned(), value.to_owned());
            let selectors = &around.selectors;
            let is_all = |selector: &String| ALL.contains(&selector.as_str());
            let variable = Variable {
                name,
                value,
                is_of_all: selectors.is_empty() || selectors.iter().any(is_all),
            };
            self.declare(around.mode, variable);
        } else if !around.selectors.is_empty() {
            let declared = |property: &str, value: &str| Declared {
                selectors: around.selectors.clone(),
                property: property.to_ascii_lowercase(),
                value: value.to_owned(),
            };
            let rules = &mut self.layer(around.mode).rules;
            match name {
                "font" => {
                    let parts = font::parts(value).into_iter();
                    rules.extend(parts.map(|(property, value)| declared(property, value)));
                }
                _ => rules.push(declared(name, value)),
            }
        }
    }
}

/// The last value of a property under a selector in a layer that can be read.
fn last<T>(
    layer: &Layer,
    selector: &str,
    property: &str,
    read: impl Fn(&Declared) -> Option<T>,
) -> Option<T> {
    let rules = layer.rules.iter().rev();
    rules
        .filter(|rule| rule.is(selector, property))
        .find_map(read)
}

/// A value with the variables in it followed; none where one of them is not known.
fn followed<'a>(value: &str, known: impl Fn(&str) -> Option<&'a str>) -> Option<String> {
    let mut value = value.to_owned();
    for _ in 0..MAX_STEPS {
        let Some((range, name, instead)) = variable_in(&value) else {
            return Some(value);
        };
        let with = known(&name).map(str::to_owned).or(instead)?;
        value.replace_range(range, &with);
    }
    None
}

/// A selector with single spaces.
fn one_space(selector: &str) -> String {
    selector.split_whitespace().collect::<Vec<_>>().join(" ")
}

/// A value without what stands behind it: `!important`, `!default`.
fn written(value: &str) -> &str {
    value
        .split_once('!')
        .map_or(value, |(value, _)| value)
        .trim()
}

/// The address of an import: `url(…)` or a string.
fn address(text: &str) -> Option<String> {
    let mut input = ParserInput::new(text);
    let mut parser = Parser::new(&mut input);
    let url = parser.expect_url_or_string().ok()?;
    Some(url.as_ref().to_owned())
}

/// The first variable in a value: where it stands, its name, and what holds where it is not known.
fn variable_in(value: &str) -> Option<(std::ops::Range<usize>, String, Option<String>)> {
    if let Some(at) = value.find("var(") {
        let end = at + value[at..].find(')')? + 1;
        let inner = &value[at + 4..end - 1];
        let (name, instead) = match inner.split_once(',') {
            // What is nested goes on behind the bracket: it is not followed.
            Some((name, instead)) if !instead.contains('(') => (name, Some(instead.trim())),
            Some((name, _)) => (name, None),
            None => (inner, None),
        };
        return Some((at..end, name.trim().to_owned(), instead.map(str::to_owned)));
    }
    let at = value.find(['$', '@'])?;
    let is_name = |c: char| c.is_alphanumeric() || matches!(c, '-' | '_');
    let length = value[at + 1..].find(|c| !is_name(c));
    let end = length.map_or(value.len(), |n| at + 1 + n);
    Some((at..end, value[at..end].to_owned(), None))
}

#[cfg(test)]
mod tests {
    use super::*;

    fn sheet(text: &str) -> Sheet {
        let mut sheet = Sheet::default();
        sheet.read(text);
        sheet
    }

    #[test]
    fn declarations_stand_under_their_innermost_selectors() {
        let sheet = sheet(
            "@import url('https://a.example/x.css');\n\
             // a line: of words;\n\
             .site { h1,  .a  > .b { font-family: Anlow !important } color: red }\n\
             @layer base { body { font-size: 15px } }\n\
             @media print { body { font-size: 9px } }",
        );
        let told: Vec<_> = sheet
            .usual
            .rules
            .iter()
            .map(|r| (r.selectors.join("|"), r.property.as_str(), r.value.as_str()))
            .collect();
        let expected = [
            ("h1|.a > .b".to_owned(), "font-family", "Anlow"),
            (".site".to_owned(), "color", "red"),
            ("body".to_owned(), "font-size", "15px"),
        ];
        assert_eq!(told, expected);
        assert_eq!(sheet.imports, ["https://a.example/x.css"]);
    }

    #[test]
    fn variables_are_followed_and_circles_end() {
        let sheet = sheet(
            "$stack: 'Vess', serif !default; @less: $stack; :root { --a: var(--b); --b: var(--a); --c: @less }",
        );
        assert_eq!(sheet.resolved("var(--c)").as_deref(), Some("'Vess', serif"));
        assert_eq!(sheet.resolved("var(--none, Tern)").as_deref(), Some("Tern"));
        assert_eq!(sheet.resolved("var(--a)"), None);
        assert_eq!(sheet.resolved("$unknown"), None);
    }
}
