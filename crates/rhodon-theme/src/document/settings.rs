//! Objects whose every key may be left out: declared once, with how each key is read.

/// Declares such an object: its fields with what they mean and how they are read. Keys, reading,
/// and how a child's settings lie over a parent's follow.
macro_rules! settings {
    (
        $(#[$meta:meta])*
        $name:ident {
            $($(#[$field_meta:meta])* $field:ident: $kind:ty = $read:expr,)*
        }
    ) => {
        $(#[$meta])*
        #[derive(Clone, Debug, Default, PartialEq, serde::Serialize, schemars::JsonSchema)]
        #[schemars(deny_unknown_fields)]
        pub struct $name {
            $($(#[$field_meta])* #[serde(skip_serializing_if = "Option::is_none")] pub $field: Option<$kind>,)*
        }

        impl $name {
            pub(crate) fn read(
                node: &crate::document::field::Node<'_>,
                problems: &mut crate::document::Problems,
            ) -> Option<Self> {
                let object = node.object(&[$(stringify!($field)),*], problems)?;
                Some(Self { $($field: object.get(stringify!($field)).and_then(|n| $read(&n, problems)),)* })
            }

            /// These settings, with a parent's where they say nothing.
            pub(crate) fn over(self, parent: Self) -> Self {
                Self { $($field: self.$field.or(parent.$field),)* }
            }

            pub(crate) fn is_empty(&self) -> bool {
                *self == Self::default()
            }
        }
    };
}

pub(crate) use settings;
