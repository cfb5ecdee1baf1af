//! Rules and at-rules of a style sheet, printed with one indentation.

/// A part of a style sheet.
#[derive(Debug)]
pub(crate) enum Node {
    /// `selector { … }`; an empty line separates groups of declarations.
    Rule {
        selector: String,
        lines: Vec<String>,
    },
    /// `@media … { … }`
    At { prelude: String, inner: Vec<Node> },
    /// `/* … */` above the rules that follow.
    Heading(String),
}

impl Node {
    pub(crate) fn rule(selector: &str, lines: Vec<String>) -> Self {
        Self::Rule {
            selector: selector.to_owned(),
            lines,
        }
    }

    pub(crate) fn at(prelude: &str, inner: Vec<Node>) -> Self {
        Self::At {
            prelude: prelude.to_owned(),
            inner,
        }
    }

    fn is_empty(&self) -> bool {
        match self {
            Self::Rule { lines, .. } => lines.is_empty(),
            Self::At { inner, .. } => inner.iter().all(Self::is_empty),
            Self::Heading(_) => false,
        }
    }

    fn print(&self, depth: usize, out: &mut String) {
        let pad = "  ".repeat(depth);
        let head = match self {
            Self::Rule { selector, .. } => selector,
            Self::At { prelude, .. } => prelude,
            Self::Heading(text) => {
                out.push_str(&format!("{pad}/* {text} */\n"));
                return;
            }
        };
        out.push_str(&format!("{pad}{head} {{\n"));
        match self {
            Self::Rule { lines, .. } => {
                for line in lines {
                    if line.is_empty() {
                        out.push('\n');
                    } else {
                        out.push_str(&format!("{pad}  {line}\n"));
                    }
                }
            }
            Self::At { inner, .. } => print_all(inner, depth + 1, out),
            Self::Heading(_) => {}
        }
        out.push_str(&pad);
        out.push_str("}\n");
    }
}

/// Prints the parts that hold anything, an empty line between two.
pub(crate) fn print_all(nodes: &[Node], depth: usize, out: &mut String) {
    for (i, node) in nodes.iter().filter(|n| !n.is_empty()).enumerate() {
        if i > 0 {
            out.push('\n');
        }
        node.print(depth, out);
    }
}
