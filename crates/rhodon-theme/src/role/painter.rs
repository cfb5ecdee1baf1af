//! What a family of roles paints on: the scales, the mode, and the roles painted so far.

use std::collections::HashMap;
use std::sync::Arc;

use rhodon_color::{ContrastOn, Lab65, Rgb8, difference_below, lab_d65, least_difference};

use crate::level::Level;
use crate::overrides::Overrides;
use crate::palette::{IntentScale, NamedScale};
use crate::reason::Reason;
use crate::token::{Cell, Mode, Pair, Token};
use crate::value::{ColorValue, Origin, Value};
use crate::vocabulary::{Intent, Role};

/// What roles are made from; the same for both modes.
#[derive(Debug)]
pub(crate) struct Backdrop<'a> {
    pub scales: &'a [NamedScale],
    pub intents: &'a [IntentScale],
    pub overrides: &'a Overrides<'a>,
    /// What the roles came to at the usual level, where another one is painted; they come in the same order at
    /// every level.
    pub usual: &'a [Token],
}

/// A role's value before anybody overrides it.
#[derive(Clone, Debug)]
pub(crate) struct Choice {
    pub color: ColorValue,
    pub alias: Option<Arc<str>>,
    pub reason: Reason,
}

/// A role that has been painted.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub(crate) struct RoleId(usize);

#[derive(Debug)]
struct Declared {
    fg: RoleId,
    bg: RoleId,
    need: f64,
}

/// The result: roles and pairs of one mode.
#[derive(Debug)]
pub(crate) struct Painted {
    pub roles: Vec<(Arc<str>, Cell)>,
    pub pairs: Vec<Pair>,
    /// What the roles came to that were referred to before they were painted.
    pub awaited: Ahead,
}

/// Colours of roles by path, known before they are painted.
pub(crate) type Ahead = HashMap<Arc<str>, ColorValue>;

/// See the module.
#[derive(Debug)]
pub(crate) struct Painter<'a> {
    pub mode: Mode,
    pub level: Level,
    pub on: &'a Backdrop<'a>,
    /// The four surfaces, once painted.
    pub surfaces: Vec<RoleId>,
    /// Their colours, each once, prepared for many differences.
    surface_labs: Vec<(RoleId, Lab65)>,
    ahead: &'a Ahead,
    roles: Vec<(Arc<str>, Cell)>,
    /// Their colours, prepared for many contrasts.
    grounds: Vec<ContrastOn>,
    declared: Vec<Declared>,
    /// Overrides that refer to a role painted later.
    waiting: Vec<(RoleId, Arc<str>)>,
}

impl<'a> Painter<'a> {
    pub(crate) fn new(mode: Mode, level: Level, on: &'a Backdrop<'a>, ahead: &'a Ahead) -> Self {
        Self {
            mode,
            level,
            on,
            ahead,
            surfaces: Vec::new(),
            surface_labs: Vec::new(),
            roles: Vec::with_capacity(128),
            grounds: Vec::with_capacity(128),
            declared: Vec::with_capacity(192),
            waiting: Vec::new(),
        }
    }

    /// Least contrast of text at this level.
    pub(crate) fn text(&self) -> f64 {
        self.level.text()
    }

    /// Least contrast of parts at this level.
    pub(crate) fn graphic(&self) -> f64 {
        self.level.graphic()
    }

    /// Light's value in light mode, dark's in dark mode.
    pub(crate) fn by_mode<T>(&self, light: T, dark: T) -> T {
        match self.mode {
            Mode::Light => light,
            Mode::Dark => dark,
        }
    }

    /// Adds a role; what the user set wins over the choice.
    pub(crate) fn put(&mut self, path: impl Into<Arc<str>>, choice: Choice) -> RoleId {
        let path: Arc<str> = path.into();
        let id = RoleId(self.roles.len());
        let mut cell = Cell {
            value: Value::Color(choice.color),
            alias: choice.alias,
            origin: Origin::Derived,
            reason: choice.reason,
        };
        if let Some(set) = self.on.overrides.role(&path, self.mode) {
            cell.origin = set.origin;
            cell.alias.clone_from(&set.alias);
            cell.reason = set.reason();
            match &set.value {
                Ok(color) => cell.value = Value::Color(*color),
                Err(role) => match self.find_path(role) {
                    Some(found) => cell.value = Value::Color(self.value(found)),
                    None => {
                        if let Some(color) = self.ahead.get(role) {
                            cell.value = Value::Color(*color);
                        }
                        self.waiting.push((id, role.clone()));
                    }
                },
            }
        }
        self.roles.push((path, cell));
        self.grounds.push(ContrastOn::new(self.code(id)));
        id
    }

    /// Whether somebody set a role by hand, here or in a theme that this one extends.
    pub(crate) fn is_set(&self, id: RoleId) -> bool {
        self.roles[id.0].1.origin != Origin::Derived
    }

    /// What was chosen for a role that nobody set by hand.
    pub(crate) fn choice(&self, id: RoleId) -> Choice {
        let cell = &self.roles[id.0].1;
        Choice {
            color: self.value(id),
            alias: cell.alias.clone(),
            reason: cell.reason.clone(),
        }
    }

    /// Adds a surface.
    pub(crate) fn put_surface(&mut self, role: Role, choice: Choice) {
        let id = self.put(role, choice);
        self.surfaces.push(id);
        let lab = lab_d65(self.code(id));
        if self.surface_labs.iter().all(|(_, known)| *known != lab) {
            self.surface_labs.push((id, lab));
        }
    }

    /// Whether the next role has this colour at the usual level by the rules, on the same surfaces.
    pub(crate) fn is_usual(&self, code: Rgb8) -> bool {
        let has = |place: usize, code: Rgb8| {
            let cell = self.on.usual.get(place).map(|role| role.cell(self.mode));
            cell.filter(|cell| cell.value.color().is_some_and(|color| color.code == code))
        };
        let next = has(self.roles.len(), code);
        next.is_some_and(|cell| cell.origin == Origin::Derived)
            && self
                .surfaces
                .iter()
                .all(|id| has(id.0, self.code(*id)).is_some())
    }

    /// The surface from which a colour is told worst, and the CIEDE2000 between them, where it is below
    /// a limit.
    pub(crate) fn surface_below(&self, code: Rgb8, limit: f64) -> Option<(RoleId, f64)> {
        // Mostly known without its hue.
        let lightness = code.lightness();
        let mut labs = self.surface_labs.iter().map(|(_, lab)| lab);
        if labs.all(|lab| least_difference(lightness, lab.l) >= limit) {
            return None;
        }
        let own = lab_d65(code);
        let surfaces = self.surface_labs.iter();
        let below =
            surfaces.filter_map(|(id, lab)| Some((*id, difference_below(own, *lab, limit)?)));
        below.min_by(|a, b| a.1.total_cmp(&b.1))
    }

    /// Adds a role that is another one under a name of its own.
    pub(crate) fn put_same(&mut self, path: impl Into<Arc<str>>, as_role: RoleId) -> RoleId {
        let alias = self.path(as_role).clone();
        let choice = Choice {
            color: self.value(as_role),
            reason: Reason::Follows(alias.clone()),
            alias: Some(alias),
        };
        self.put(path, choice)
    }

    /// Declares that one role is read on another.
    pub(crate) fn pair(&mut self, fg: RoleId, bg: RoleId, need: f64) {
        self.declared.push(Declared { fg, bg, need });
    }

    /// Declares that one role is read on every surface.
    pub(crate) fn pair_on_surfaces(&mut self, fg: RoleId, need: f64) {
        for i in 0..self.surfaces.len() {
            self.pair(fg, self.surfaces[i], need);
        }
    }

    pub(crate) fn path(&self, id: RoleId) -> &Arc<str> {
        &self.roles[id.0].0
    }

    /// A colour of a scale at any L\* (0–100).
    pub(crate) fn between(&self, scale: &NamedScale, lightness: f64) -> Rgb8 {
        scale.between.at(&scale.scale, lightness)
    }

    /// What others are read on.
    pub(crate) fn ground(&self, id: RoleId) -> ContrastOn {
        self.grounds[id.0]
    }

    /// Contrast ratio of two roles.
    pub(crate) fn contrast(&self, a: RoleId, b: RoleId) -> f64 {
        self.ground(a).between(self.ground(b))
    }

    pub(crate) fn code(&self, id: RoleId) -> Rgb8 {
        self.value(id).code
    }

    fn value(&self, id: RoleId) -> ColorValue {
        // Roles hold nothing but colours: `put` is the only way in.
        self.roles[id.0]
            .1
            .value
            .color()
            .copied()
            .unwrap_or(ColorValue::opaque(Rgb8::BLACK))
    }

    /// A role that every theme has, once it is painted.
    pub(crate) fn find(&self, role: Role) -> Option<RoleId> {
        self.find_path(role.path())
    }

    fn find_path(&self, path: &str) -> Option<RoleId> {
        self.roles
            .iter()
            .position(|(p, _)| **p == *path)
            .map(RoleId)
    }

    /// The neutral scale.
    pub(crate) fn neutral(&self) -> &'a NamedScale {
        let intents = self.on.intents;
        let neutral = intents
            .iter()
            .find(|i| i.name.as_str() == Intent::Neutral.id())
            .or(intents.first());
        &self.on.scales[neutral.map_or(0, |i| i.scale)]
    }

    /// Roles and measured pairs.
    pub(crate) fn finish(mut self) -> Painted {
        // What was written is followed to its end beforehand: no reference leads to another one.
        let mut awaited = Ahead::new();
        for (id, role) in std::mem::take(&mut self.waiting) {
            let Some(found) = self.find_path(&role) else {
                continue;
            };
            let color = self.value(found);
            self.roles[id.0].1.value = Value::Color(color);
            self.grounds[id.0] = ContrastOn::new(color.code);
            awaited.insert(role, color);
        }
        let pairs = self
            .declared
            .iter()
            .map(|d| {
                let ratio = self.contrast(d.fg, d.bg);
                Pair {
                    mode: self.mode,
                    fg: self.path(d.fg).clone(),
                    bg: self.path(d.bg).clone(),
                    ratio,
                    need: d.need,
                    pass: ratio >= d.need,
                }
            })
            .collect();
        Painted {
            roles: self.roles,
            pairs,
            awaited,
        }
    }
}
