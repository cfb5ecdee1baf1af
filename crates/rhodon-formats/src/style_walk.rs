//! Statements of a style sheet, or of a dialect of it, in the blocks that they stand in.

use std::ops::Range;

use cssparser::{Parser, ParserInput, Token};

use crate::color_use::without_line_comments;

/// How deep blocks are followed; what nests deeper is no style sheet that somebody wrote.
const MAX_DEPTH: usize = 120;

/// Whoever goes through a style sheet.
pub(crate) trait Visitor {
    /// What is known of the blocks around a statement.
    type Around;

    /// What is known within a block, by what stands before it; none where it is passed over.
    fn enter(&mut self, prelude: &str, around: &Self::Around) -> Option<Self::Around>;

    /// A statement without the sign that ends it; where `text` begins in the whole is `at`.
    fn statement(&mut self, text: &str, at: usize, around: &Self::Around);
}

/// Goes through a style sheet in its order.
pub(crate) fn walk<V: Visitor>(text: &str, visitor: &mut V, around: &V::Around) {
    let text = without_line_comments(text);
    let mut input = ParserInput::new(&text);
    let mut walk = Walk {
        text: &text,
        visitor,
    };
    walk.block(&mut Parser::new(&mut input), around, 0);
}

struct Walk<'a, V> {
    text: &'a str,
    visitor: &'a mut V,
}

impl<V: Visitor> Walk<'_, V> {
    fn block(&mut self, parser: &mut Parser<'_, '_>, around: &V::Around, depth: usize) {
        let mut start = parser.position().byte_index();
        let mut puts_in = false;
        loop {
            let begun = parser.position().byte_index() > start;
            let token = parser.next_including_whitespace_and_comments().cloned();
            // Behind the token: before it, the brackets of the last one may not be passed yet.
            let end = parser.position().byte_index();
            match token {
                Err(_) => break self.statement(start..end, around),
                Ok(Token::Semicolon) => self.statement(start..end - 1, around),
                // `#{…}` puts a value into a name.
                Ok(Token::CurlyBracketBlock) if !puts_in => {
                    self.nested(parser, start..end - 1, around, depth);
                }
                Ok(Token::WhiteSpace(_) | Token::Comment(_)) if !begun => {}
                Ok(token) => {
                    puts_in = matches!(token, Token::Delim('#'));
                    continue;
                }
            }
            puts_in = false;
            start = parser.position().byte_index();
        }
    }

    fn nested(
        &mut self,
        parser: &mut Parser<'_, '_>,
        prelude: Range<usize>,
        around: &V::Around,
        depth: usize,
    ) {
        let within = self.visitor.enter(self.text[prelude].trim(), around);
        let Some(within) = within.filter(|_| depth < MAX_DEPTH) else {
            return;
        };
        let _: Result<(), cssparser::ParseError<'_, ()>> = parser.parse_nested_block(|inner| {
            self.block(inner, &within, depth + 1);
            Ok(())
        });
    }

    fn statement(&mut self, range: Range<usize>, around: &V::Around) {
        let start = range.start;
        self.visitor.statement(&self.text[range], start, around);
    }
}
