//! Object literals of JavaScript and TypeScript, shared by every target that writes scripts.

use foldhash::HashMap;
use rhodon_theme::{ColorValue, Value};

use super::css_value;
use crate::error::ExportError;

/// A literal.
#[derive(Clone, Debug)]
pub(crate) enum Literal {
    /// Quoted and escaped.
    Text(String),
    /// A number.
    Number(f64),
    /// An expression, as it is.
    Code(String),
    /// Nothing: the key is `...` and the name of an object whose entries stand here.
    Spread,
    /// A comment above the entries that follow: the key is what it says.
    Heading,
    /// `[…]`, on one line.
    List(Vec<Literal>),
    /// `{…}`, one line a key.
    Object(Vec<(String, Literal)>),
}

impl Literal {
    pub(crate) fn text(text: impl Into<String>) -> Self {
        Self::Text(text.into())
    }

    /// The code of a colour.
    pub(crate) fn color(color: &ColorValue) -> Self {
        Self::Text(color.to_string())
    }

    /// An object from its entries.
    pub(crate) fn object<K: Into<String>>(entries: impl IntoIterator<Item = (K, Literal)>) -> Self {
        Self::Object(entries.into_iter().map(|(k, v)| (k.into(), v)).collect())
    }

    /// An entry under a key that the framework demands.
    pub(crate) fn demanded(key: &str, value: Literal) -> (String, String, Literal) {
        (key.to_owned(), format!("the framework's {key}"), value)
    }

    /// An object of entries with their owners, whose keys must differ.
    ///
    /// # Errors
    /// Names both owners of a key.
    pub(crate) fn distinct(entries: Vec<(String, String, Literal)>) -> Result<Self, ExportError> {
        let mut owners: HashMap<String, String> = HashMap::default();
        let mut out = Vec::with_capacity(entries.len());
        for (key, owner, value) in entries {
            if let Some(first) = owners.insert(key.clone(), owner.clone()) {
                return Err(ExportError::Clash {
                    first,
                    second: owner,
                    name: key,
                });
            }
            out.push((key, value));
        }
        Ok(Self::Object(out))
    }

    /// A value as style objects take it: CSS text, or a plain number.
    pub(crate) fn value(value: &Value) -> Self {
        match value {
            Value::Number(n) => Self::Number(*n),
            Value::FontWeight(n) => Self::Number(f64::from(*n)),
            other => Self::Text(css_value::value(other, rhodon_color::Notation::Hex)),
        }
    }

    /// Printed from a line that is already indented by `depth`.
    pub(crate) fn print(&self, depth: usize) -> String {
        let mut out = String::with_capacity(256);
        self.put(depth, &mut out);
        out
    }

    fn put(&self, depth: usize, out: &mut String) {
        match self {
            Self::Text(text) => quoted(text, out),
            Self::Number(n) => out.push_str(&n.to_string()),
            Self::Code(code) => out.push_str(code),
            Self::Spread | Self::Heading => {}
            Self::List(items) => {
                out.push('[');
                for (i, item) in items.iter().enumerate() {
                    if i > 0 {
                        out.push_str(", ");
                    }
                    item.put(depth, out);
                }
                out.push(']');
            }
            Self::Object(entries) if entries.is_empty() => out.push_str("{}"),
            Self::Object(entries) => {
                out.push_str("{\n");
                for (key, value) in entries {
                    indent(depth + 1, out);
                    if let Self::Heading = value {
                        out.push_str("// ");
                        out.push_str(key);
                        out.push('\n');
                        continue;
                    }
                    if let Self::Spread = value {
                        out.push_str(key);
                    } else {
                        put_key(key, out);
                        out.push_str(": ");
                        value.put(depth + 1, out);
                    }
                    out.push_str(",\n");
                }
                indent(depth, out);
                out.push('}');
            }
        }
    }
}

fn indent(depth: usize, out: &mut String) {
    (0..depth).for_each(|_| out.push_str("  "));
}

/// A string literal (ECMA-262, "String Literals"). A script may stand inside an HTML element,
/// which `</` would end.
pub(crate) fn quoted(text: &str, out: &mut String) {
    let json = serde_json::Value::from(text).to_string();
    out.push_str(
        &json
            .replace("</", "<\\/")
            .replace('\u{2028}', "\\u2028")
            .replace('\u{2029}', "\\u2029"),
    );
}

/// A property name: bare where it is an identifier or a whole number that a script keeps digit by
/// digit, else quoted.
fn put_key(key: &str, out: &mut String) {
    let identifier = key.starts_with(|c: char| c.is_ascii_alphabetic() || c == '_')
        && key.bytes().all(|b| b.is_ascii_alphanumeric() || b == b'_');
    let number = key.bytes().all(|b| b.is_ascii_digit())
        && (key == "0" || !key.starts_with('0'))
        && key.len() < 10;
    if !key.is_empty() && (identifier || number) {
        out.push_str(key);
    } else {
        quoted(key, out);
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn objects_print_with_their_keys_bare_where_they_may_be() {
        let object = Literal::object([
            ("600", Literal::text("#0f5c7a")),
            ("1234567890123456789012", Literal::Number(2.0)),
            ("fill-hover", Literal::Number(1.5)),
            (
                "nested",
                Literal::object([("050", Literal::List(vec![Literal::text("</a>\u{2028}")]))]),
            ),
        ]);
        assert_eq!(
            object.print(0),
            "{\n  600: \"#0f5c7a\",\n  \"1234567890123456789012\": 2,\n  \"fill-hover\": 1.5,\n  nested: {\n    \"050\": [\"<\\/a>\\u2028\"],\n  },\n}"
        );
    }
}
