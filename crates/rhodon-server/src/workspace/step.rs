//! What is to be done about a document in the folder and the theme that it is tied to: decided from
//! what both are now and what was written or read last, and from nothing else.

/// How the two stand.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub(crate) struct Stand {
    /// The file is there.
    pub is_there: bool,
    /// It reads, and says the same as the theme.
    pub is_same: bool,
    /// It is another than what was written or read last.
    pub file_changed: bool,
    /// The theme has another revision than the one that was written or read last.
    pub theme_changed: bool,
    /// They were never in step: nobody knows which of them is newer.
    pub is_new: bool,
}

/// What is to be done.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
#[allow(clippy::enum_variant_names, reason = "in step is how people say it")]
pub(crate) enum Step {
    /// Nothing: both say the same.
    InStep,
    /// The theme is written to the file.
    Write,
    /// The file becomes a revision of the theme.
    Take,
    /// Both changed: somebody has to choose.
    Clash,
    /// The file is gone: somebody has to say whether it comes back.
    Gone,
}

/// The step that a stand asks for.
pub(crate) fn step(stand: Stand) -> Step {
    let Stand {
        is_there,
        is_same,
        file_changed,
        theme_changed,
        is_new,
    } = stand;
    match (is_there, is_same) {
        (false, _) if is_new => Step::Write,
        (false, _) => Step::Gone,
        (true, true) => Step::InStep,
        (true, false) if is_new => Step::Clash,
        (true, false) => match (file_changed, theme_changed) {
            (true, true) => Step::Clash,
            (true, false) => Step::Take,
            // A parent that was renamed changes what a child's file says, and no revision.
            (false, _) => Step::Write,
        },
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn who_changed_alone_is_followed_and_both_are_never_lost() {
        let known = Stand {
            is_there: true,
            is_same: false,
            file_changed: false,
            theme_changed: false,
            is_new: false,
        };
        let with = |file_changed, theme_changed| Stand {
            file_changed,
            theme_changed,
            ..known
        };
        assert_eq!(step(with(true, false)), Step::Take);
        assert_eq!(step(with(false, true)), Step::Write);
        assert_eq!(step(with(true, true)), Step::Clash);
        assert_eq!(step(with(false, false)), Step::Write);
        let same = Stand {
            is_same: true,
            ..with(true, true)
        };
        assert_eq!(step(same), Step::InStep);
        let gone = Stand {
            is_there: false,
            ..known
        };
        assert_eq!(step(gone), Step::Gone);
        let fresh = Stand {
            is_new: true,
            ..known
        };
        assert_eq!(step(fresh), Step::Clash);
        assert_eq!(
            step(Stand {
                is_there: false,
                ..fresh
            }),
            Step::Write
        );
        assert_eq!(
            step(Stand {
                is_same: true,
                ..fresh
            }),
            Step::InStep
        );
    }
}
