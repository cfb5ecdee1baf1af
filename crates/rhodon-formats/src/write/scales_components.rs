//! Severities of the components of `scales-preset`: each intent's own colours in buttons,
//! messages, tags and badges, where the framework would take stock scales.

use rhodon_theme::{IntentPart, IntentScale, Mode, Role};

use super::intent_color::readable;
use super::script::Literal;
use crate::job::Job;

/// The framework's words for intents of the theme; those that it has not keep their names.
fn severity(intent: &str, component: Component) -> &str {
    match (intent, component) {
        ("warning", _) => "warn",
        ("danger", Component::Message) => "error",
        _ => intent,
    }
}

#[derive(Clone, Copy, PartialEq)]
enum Component {
    Button,
    Message,
    Label,
}

/// The components in both modes.
pub(crate) fn components(job: &Job<'_>) -> Literal {
    let by_mode = |make: &dyn Fn(Mode) -> Literal| {
        let modes = Mode::BOTH.map(|mode| (mode.id(), make(mode)));
        Literal::object([("colorScheme", Literal::object(modes))])
    };
    Literal::object([
        ("button", by_mode(&|mode| buttons(job, mode))),
        ("message", by_mode(&|mode| messages(job, mode))),
        ("tag", by_mode(&|mode| tags(job, mode))),
        ("badge", by_mode(&|mode| badges(job, mode))),
    ])
}

/// What a severity is painted with in a mode.
struct Paint<'a, 'j> {
    job: &'j Job<'a>,
    name: &'a str,
    intent: &'a IntentScale,
    mode: Mode,
}

impl Paint<'_, '_> {
    fn part(&self, part: IntentPart) -> Literal {
        Literal::color(&self.job.role(&part.of(self.name), self.mode))
    }

    fn readable(&self) -> Literal {
        Literal::color(&readable(self.job, self.intent, self.mode))
    }
}

/// An entry for every intent, and the framework's contrast, which is the text's colour as ground.
fn severities(
    job: &Job<'_>,
    mode: Mode,
    component: Component,
    make: impl Fn(&Paint<'_, '_>) -> Vec<(&'static str, Literal)>,
    contrast: Vec<(&'static str, Literal)>,
) -> Literal {
    let entries = job.theme.intents.iter().map(|intent| {
        let name = intent.name.as_str();
        let paint = Paint {
            job,
            name,
            intent,
            mode,
        };
        (
            severity(name, component).to_owned(),
            Literal::object(make(&paint)),
        )
    });
    let contrast = ("contrast".to_owned(), Literal::object(contrast));
    let mut entries: Vec<(String, Literal)> = entries.collect();
    if !entries.iter().any(|(name, _)| *name == contrast.0) {
        entries.push(contrast);
    }
    Literal::Object(entries)
}

fn buttons(job: &Job<'_>, mode: Mode) -> Literal {
    let role = |role: Role| Literal::color(&job.role(role.path(), mode));
    let inverse = |role: Role| Literal::color(&job.role(role.path(), mode.other()));
    let filled = |ground: [Literal; 3], ink: Literal, ring: Literal| {
        let [rest, hover, active] = ground;
        vec![
            ("background", rest.clone()),
            ("hoverBackground", hover.clone()),
            ("activeBackground", active.clone()),
            ("borderColor", rest),
            ("hoverBorderColor", hover),
            ("activeBorderColor", active),
            ("color", ink.clone()),
            ("hoverColor", ink.clone()),
            ("activeColor", ink),
            ("focusRing", Literal::object([("color", ring)])),
        ]
    };
    let quiet = |ink: Literal, grounds: [Literal; 2], border: Option<Literal>| {
        let [hover, active] = grounds;
        let mut out = vec![("hoverBackground", hover), ("activeBackground", active)];
        out.extend(border.map(|border| ("borderColor", border)));
        out.push(("color", ink));
        out
    };
    let tints = |p: &Paint<'_, '_>| [p.part(IntentPart::Tint), p.part(IntentPart::TintHover)];
    let neutral = || [role(Role::SURFACE_SUNKEN), role(Role::SURFACE_SUNKEN)];
    let main = || role(Role::TEXT_MAIN);
    let root = severities(
        job,
        mode,
        Component::Button,
        |p| {
            let grounds = [
                IntentPart::Fill,
                IntentPart::FillHover,
                IntentPart::FillPressed,
            ];
            filled(
                grounds.map(|part| p.part(part)),
                p.part(IntentPart::FillText),
                role(Role::FOCUS_RING),
            )
        },
        filled(
            [main(), main(), main()],
            inverse(Role::TEXT_MAIN),
            role(Role::FOCUS_RING),
        ),
    );
    let outlined = severities(
        job,
        mode,
        Component::Button,
        |p| quiet(p.readable(), tints(p), Some(p.part(IntentPart::Edge))),
        quiet(main(), neutral(), Some(main())),
    );
    let plain = severities(
        job,
        mode,
        Component::Button,
        |p| quiet(p.readable(), tints(p), None),
        quiet(main(), neutral(), None),
    );
    Literal::object([("root", root), ("outlined", outlined), ("text", plain)])
}

fn messages(job: &Job<'_>, mode: Mode) -> Literal {
    let role = |role: Role| Literal::color(&job.role(role.path(), mode));
    let inverse = |role: Role| Literal::color(&job.role(role.path(), mode.other()));
    let lines = |ground: Literal, border: Literal, ink: Literal| {
        let outlined = [("color", ink.clone()), ("borderColor", border.clone())];
        vec![
            ("background", ground),
            ("borderColor", border),
            ("color", ink.clone()),
            ("outlined", Literal::object(outlined)),
            ("simple", Literal::object([("color", ink)])),
        ]
    };
    severities(
        job,
        mode,
        Component::Message,
        |p| {
            lines(
                p.part(IntentPart::Tint),
                p.part(IntentPart::Edge),
                p.part(IntentPart::TintText),
            )
        },
        {
            let (ground, ink) = (role(Role::TEXT_MAIN), inverse(Role::TEXT_MAIN));
            let on_page = role(Role::TEXT_MAIN);
            let outlined = [("color", on_page.clone()), ("borderColor", on_page.clone())];
            vec![
                ("background", ground.clone()),
                ("borderColor", ground),
                ("color", ink),
                ("outlined", Literal::object(outlined)),
                ("simple", Literal::object([("color", on_page)])),
            ]
        },
    )
}

fn tags(job: &Job<'_>, mode: Mode) -> Literal {
    labels(job, mode, [IntentPart::Tint, IntentPart::TintText])
}

fn badges(job: &Job<'_>, mode: Mode) -> Literal {
    labels(job, mode, [IntentPart::Fill, IntentPart::FillText])
}

fn labels(job: &Job<'_>, mode: Mode, [ground, ink]: [IntentPart; 2]) -> Literal {
    severities(
        job,
        mode,
        Component::Label,
        |p| vec![("background", p.part(ground)), ("color", p.part(ink))],
        vec![
            (
                "background",
                Literal::color(&job.role(Role::TEXT_MAIN.path(), mode)),
            ),
            (
                "color",
                Literal::color(&job.role(Role::TEXT_MAIN.path(), mode.other())),
            ),
        ],
    )
}
