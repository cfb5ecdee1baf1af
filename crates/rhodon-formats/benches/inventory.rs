//! Taking stock of a large style sheet and giving it other colours, beside tokenizing it alone.
#![allow(missing_docs, reason = "criterion's macros make public items")]

use std::hint::black_box;

use criterion::{Criterion, Throughput, criterion_group, criterion_main};
use cssparser::{ParseError, Parser, ParserInput, Token};
use rhodon_formats::inventory::{NEAR, inventory};
use rhodon_formats::read::InputFile;
use rhodon_formats::recolor::{ColorMap, Plan, recolor};

/// Five megabytes, as component frameworks write them.
fn sheet() -> String {
    let mut text = String::from("/* a framework */\n:root { --brand: #0f5c7a; }\n");
    let mut i = 0u32;
    while text.len() < 5_000_000 {
        // A few hundred colours, as large sites have.
        let code = (i % 400).wrapping_mul(2_654_435_761) >> 8;
        text += &format!(
            ".card-{i}:hover > .title, .list-{i} a:not(.is-done)::before {{ display: flex; padding: {}px 12px; color: #{code:06x}; \
             background: var(--brand); border: 1px solid rgba(15, 92, 122, .{}); transition: opacity .2s ease; }}\n",
            i % 40,
            i % 9 + 1
        );
        i += 1;
    }
    text
}

/// Every token, brackets followed.
fn tokens(parser: &mut Parser<'_, '_>) -> usize {
    let mut count = 0;
    while let Ok(token) = parser.next_including_whitespace_and_comments() {
        count += 1;
        let opens = matches!(
            token,
            Token::Function(_)
                | Token::ParenthesisBlock
                | Token::SquareBracketBlock
                | Token::CurlyBracketBlock
        );
        if opens {
            let inner: Result<usize, ParseError<'_, ()>> =
                parser.parse_nested_block(|p| Ok(tokens(p)));
            count += inner.unwrap_or_default();
        }
    }
    count
}

fn bench(c: &mut Criterion) {
    let text = sheet();
    let files = [InputFile::text("site.css", text.clone())];
    let mut group = c.benchmark_group("style sheet of 5 MB");
    group.sample_size(10);
    group.throughput(Throughput::Bytes(text.len() as u64));
    group.bench_function("tokenized alone", |b| {
        b.iter(|| {
            let mut input = ParserInput::new(black_box(&text));
            tokens(&mut Parser::new(&mut input))
        });
    });
    group.bench_function("colours found", |b| {
        let finder = rhodon_formats::color_use::finder_for("site.css");
        b.iter(|| finder.map(|f| f.find(black_box(&text)).len()));
    });
    group.bench_function("inventory", |b| {
        b.iter(|| inventory(black_box(&files), NEAR))
    });
    let hand = Plan {
        map: ColorMap::parse(r##"{"#0f5c7a": "#a33a1e"}"##).unwrap_or_default(),
        kin: true,
        ..Plan::default()
    };
    group.bench_function("recolored", |b| {
        b.iter(|| recolor(black_box(&files[0]), &hand))
    });
    group.finish();
}

criterion_group!(benches, bench);
criterion_main!(benches);
