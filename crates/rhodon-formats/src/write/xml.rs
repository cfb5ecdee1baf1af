//! Elements of XML and HTML, printed by a library that escapes for them.

use std::borrow::Cow;
use std::io;

use quick_xml::Writer;
use quick_xml::events::{BytesText, Event};

use crate::stamp::comment_safe;

/// An element with attributes and either text or children.
#[derive(Debug)]
pub(crate) struct Element {
    name: &'static str,
    attributes: Vec<(&'static str, Cow<'static, str>)>,
    inner: Inner,
}

#[derive(Debug)]
enum Inner {
    Nothing,
    Text(String),
    Children(Vec<Element>),
    /// It is no element at all.
    Comment(String),
}

impl Element {
    pub(crate) fn new(name: &'static str) -> Self {
        Self {
            name,
            attributes: Vec::new(),
            inner: Inner::Nothing,
        }
    }

    /// A comment above the elements that follow.
    pub(crate) fn comment(text: impl Into<String>) -> Self {
        Self {
            inner: Inner::Comment(text.into()),
            ..Self::new("")
        }
    }

    pub(crate) fn with(mut self, key: &'static str, value: impl Into<Cow<'static, str>>) -> Self {
        self.attributes.push((key, value.into()));
        self
    }

    pub(crate) fn text(mut self, text: impl Into<String>) -> Self {
        self.inner = Inner::Text(text.into());
        self
    }

    pub(crate) fn children(mut self, children: Vec<Element>) -> Self {
        self.inner = Inner::Children(children);
        self
    }

    /// The element and what is in it, indented, with a line end behind it.
    pub(crate) fn print(&self) -> String {
        let mut bytes = Vec::with_capacity(16 * 1024);
        let mut writer = Writer::new_with_indent(&mut bytes, b' ', 2);
        // Writing to memory does not fail.
        let written = self.put(&mut writer);
        debug_assert!(written.is_ok());
        bytes.push(b'\n');
        String::from_utf8(bytes).unwrap_or_default()
    }

    fn put(&self, writer: &mut Writer<&mut Vec<u8>>) -> io::Result<()> {
        if let Inner::Comment(text) = &self.inner {
            let text = format!(" {} ", comment_safe(text));
            return writer.write_event(Event::Comment(BytesText::from_escaped(text)));
        }
        let attributes: Vec<(&str, Cow<'_, str>)> = self
            .attributes
            .iter()
            .map(|(k, v)| (*k, plain(v)))
            .collect();
        let attributes = attributes.iter().map(|(k, v)| (*k, &**v));
        let element = writer.create_element(self.name).with_attributes(attributes);
        match &self.inner {
            Inner::Nothing | Inner::Comment(_) => element.write_empty().map(|_| ()),
            Inner::Text(text) => element
                .write_text_content(BytesText::new(&plain(text)))
                .map(|_| ()),
            Inner::Children(children) => element
                .write_inner_content(|w| children.iter().try_for_each(|c| c.put(w)))
                .map(|_| ()),
        }
    }
}

/// Text without what XML 1.0 (2.2, "Characters") cannot hold.
fn plain(text: &str) -> Cow<'_, str> {
    let is_none = |c: char| (c != '\n' && c.is_control()) || matches!(c, '\u{fffe}' | '\u{ffff}');
    match text.contains(is_none) {
        true => text.replace(is_none, "").into(),
        false => text.into(),
    }
}

/// The first line of an XML file.
pub(crate) const DECLARATION: &str = "<?xml version=\"1.0\" encoding=\"utf-8\"?>\n";
