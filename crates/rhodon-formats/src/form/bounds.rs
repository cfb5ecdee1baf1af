//! What a form must not do, judged by its tokens before it is filled. Steps, output and time are bounded
//! while a form is filled; what is not bounded there is how deep it nests, which takes stack, and values
//! that grow by being bound again and again. So the tags are those that print, choose and repeat; and
//! what is bound to a name (`set`, `with`, `for`) is not put together from other texts and lists.

use minijinja::machinery::{Token, WhitespaceConfig, tokenize};
use minijinja::syntax::SyntaxConfig;

use super::error::{FormError, mistake, told};

/// The deepest nesting of blocks, and of brackets and signs in an expression.
const DEEPEST: usize = 40;
/// The largest number that something is multiplied by.
const MOST_TIMES: f64 = 1000.0;

/// Tags with an end.
const BLOCKS: &[&str] = &["if", "for", "with"];
/// Tags that stand alone or between.
const SINGLE: &[&str] = &["elif", "else", "set", "endif", "endfor", "endwith"];

/// A token with the byte at which it begins.
type Placed<'a> = (Token<'a>, usize);

fn tokens(text: &str, in_expression: bool) -> Result<Vec<Placed<'_>>, minijinja::Error> {
    let syntax = SyntaxConfig;
    let whitespace = WhitespaceConfig {
        keep_trailing_newline: true,
        ..WhitespaceConfig::default()
    };
    let all = tokenize(text, in_expression, syntax, whitespace);
    all.map(|token| token.map(|(token, span)| (token, span.start_offset as usize)))
        .collect()
}

/// Refuses what a form must not do.
///
/// # Errors
/// The place at which it does.
pub(super) fn check(text: &str) -> Result<(), FormError> {
    let tokens = tokens(text, false).map_err(|e| told(&e, text, &[]))?;
    let mut judge = Judge::default();
    let mut open = 0;
    for (i, (token, at)) in tokens.iter().enumerate() {
        match token {
            Token::BlockStart | Token::VariableStart => open = i + 1,
            Token::BlockEnd | Token::VariableEnd => {
                let is_tag = matches!(token, Token::BlockEnd);
                let inside = &tokens[open.min(i)..i];
                let at = inside.first().map_or(*at, |(_, at)| *at);
                judge
                    .tag(inside, is_tag)
                    .map_err(|why| mistake(text, at, why))?;
            }
            _ => {}
        }
    }
    Ok(())
}

/// Refuses what a filter of a slot must not do.
///
/// # Errors
/// In words.
pub(super) fn check_expression(text: &str) -> Result<(), String> {
    // The end of a place within an expression is more than its reader is made for.
    if text.contains("}}") || text.contains("%}") {
        return Err(
            "expected a filter such as alpha(0.5) | argb, found the end of a place".to_owned(),
        );
    }
    let tokens = tokens(text, true).map_err(|e| told(&e, text, &[]).message)?;
    Judge::default().expression(&tokens, true)
}

/// Where a name stands first.
pub(super) fn place_of_name(text: &str, wanted: &str) -> Option<usize> {
    let tokens = tokens(text, false).ok()?;
    let mut places = tokens.into_iter();
    places
        .find_map(|(token, at)| matches!(token, Token::Ident(name) if name == wanted).then_some(at))
}

#[derive(Default)]
struct Judge<'a> {
    blocks: usize,
    /// Names that tags have bound so far.
    own: Vec<&'a str>,
}

impl<'a> Judge<'a> {
    fn tag(&mut self, tokens: &[Placed<'a>], is_tag: bool) -> Result<(), String> {
        let word = match tokens.first() {
            Some((Token::Ident(word), _)) if is_tag => *word,
            _ => return self.expression(tokens, false),
        };
        if BLOCKS.contains(&word) {
            self.blocks += 1;
        } else if word.starts_with("end") {
            self.blocks = self.blocks.saturating_sub(1);
        }
        if self.blocks > DEEPEST {
            return Err(too_deep());
        }
        if !BLOCKS.contains(&word) && !SINGLE.contains(&word) {
            return Err(format!(
                "the tag {word}: expected if, for, set, with or raw in a form that stands alone"
            ));
        }
        if !matches!(word, "set" | "with" | "for") {
            return self.expression(tokens, false);
        }
        self.expression(&tokens[1..], true)?;
        let bound = bound(word, &tokens[1..]);
        if bound.is_empty() {
            return Err(
                "a block that is bound: expected a value, as in {% set name = value %}".to_owned(),
            );
        }
        self.own.extend(bound);
        Ok(())
    }

    /// Judges an expression; `binds` where its value is bound to a name.
    fn expression(&self, tokens: &[Placed<'a>], binds: bool) -> Result<(), String> {
        if depth(tokens) > DEEPEST {
            return Err(too_deep());
        }
        let mut lists: Vec<bool> = Vec::new();
        for (i, (token, _)) in tokens.iter().enumerate() {
            let before = i.checked_sub(1).map(|n| &tokens[n].0);
            let after = tokens.get(i + 1).map(|(token, _)| token);
            match token {
                Token::BracketOpen | Token::BraceOpen => lists.push(opens_list(before)),
                Token::BracketClose | Token::BraceClose => drop(lists.pop()),
                Token::Ident(name) if lists.contains(&true) && self.own.contains(name) => {
                    return refused(
                        "a list of what a tag has bound",
                        "slots, tokens and texts in it",
                    );
                }
                Token::Ident("recursive") => {
                    return refused("a loop that calls itself", "loops within each other");
                }
                Token::Tilde if binds => {
                    return refused(
                        "texts put together in what is bound to a name",
                        "them where they are printed",
                    );
                }
                Token::Plus if binds && !is_number(before) && !is_number(after) => {
                    return refused(
                        "a sum in what is bound to a name",
                        "a number beside the sign",
                    );
                }
                Token::Pow => return refused("a power", "a product"),
                Token::Mul if binds || !self.is_small(tokens, i) => {
                    return refused(
                        "a product",
                        "a number of at most 1000 and a number or a part of a value, where it is printed",
                    );
                }
                _ => {}
            }
        }
        Ok(())
    }

    /// Whether a product is one of numbers: texts and lists are repeated by the same sign.
    fn is_small(&self, tokens: &[Placed<'a>], at: usize) -> bool {
        let token = |n: Option<usize>| n.and_then(|n| tokens.get(n)).map(|(token, _)| token);
        let (left, right) = (token(at.checked_sub(1)), token(Some(at + 1)));
        let is_alone = tokens
            .iter()
            .filter(|(t, _)| matches!(t, Token::Mul))
            .count()
            == 1;
        let is_part = |end: usize| {
            let is_name = matches!(tokens.get(end), Some((Token::Ident(_), _)));
            is_name && matches!(token(end.checked_sub(1)), Some(Token::Dot))
        };
        // A part of a value to the right ends behind its last dot.
        let mut end = at + 1;
        while matches!(token(Some(end + 1)), Some(Token::Dot)) {
            end += 2;
        }
        let (left_part, right_part) = (at > 0 && is_part(at - 1), end > at + 1 && is_part(end));
        is_alone
            && (is_number(left) && (is_number(right) || right_part)
                || is_number(right) && left_part)
    }
}

fn refused(what: &str, expected: &str) -> Result<(), String> {
    Err(format!("{what}: expected {expected}"))
}

fn too_deep() -> String {
    format!("too deep: expected at most {DEEPEST} levels")
}

/// Whether a bracket opens a list, and not a part of what stands before it.
fn opens_list(before: Option<&Token<'_>>) -> bool {
    match before {
        Some(Token::Ident(word)) => {
            matches!(*word, "in" | "and" | "or" | "not" | "if" | "else" | "is")
        }
        Some(
            Token::Str(_)
            | Token::String(_)
            | Token::ParenClose
            | Token::BracketClose
            | Token::BraceClose,
        ) => false,
        _ => true,
    }
}

fn is_number(token: Option<&Token<'_>>) -> bool {
    match token {
        Some(Token::Int(n)) => *n as f64 <= MOST_TIMES,
        Some(Token::Float(n)) => *n <= MOST_TIMES,
        _ => false,
    }
}

/// The names that a tag binds.
fn bound<'a>(word: &str, tokens: &[Placed<'a>]) -> Vec<&'a str> {
    let name = |token: &Placed<'a>| match token.0 {
        Token::Ident(name) => Some(name),
        _ => None,
    };
    if word == "for" {
        let names = tokens.iter().filter_map(name);
        return names.take_while(|name| *name != "in").collect();
    }
    let pairs = tokens
        .windows(2)
        .filter(|pair| matches!(pair[1].0, Token::Assign));
    pairs.filter_map(|pair| name(&pair[0])).collect()
}

/// How deep brackets stand in each other, and how many signs or words that take what follows there are.
fn depth(tokens: &[Placed<'_>]) -> usize {
    let (mut open, mut most, mut row, mut words) = (0usize, 0usize, 0usize, 0usize);
    for (token, _) in tokens {
        match token {
            Token::ParenOpen | Token::BracketOpen | Token::BraceOpen => open += 1,
            Token::ParenClose | Token::BracketClose | Token::BraceClose => {
                open = open.saturating_sub(1);
            }
            Token::Ident("not" | "if" | "else") => words += 1,
            _ => {}
        }
        row = if matches!(token, Token::Minus | Token::Plus) {
            row + 1
        } else {
            0
        };
        most = most.max(open).max(row);
    }
    most.max(words)
}
