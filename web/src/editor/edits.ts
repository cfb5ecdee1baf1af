import type { Finding, Level, Mode, ThemeDocument, Token } from "../api/client";

/** A change, made to whatever document is current by then. What it comes to, the server says. */
export type Edit = (document: ThemeDocument) => ThemeDocument;

type Brand = NonNullable<ThemeDocument["brand"]>[number];
type ScaleSettings = NonNullable<ThemeDocument["scales"]>[string];
type Accepted = NonNullable<ThemeDocument["accepted"]>[number];
type TokenValues = NonNullable<ThemeDocument["tokens"]>[string];

/** Whether two documents say the same. */
export function sameDocument(a: ThemeDocument, b: ThemeDocument): boolean {
  // A change keeps every part that it does not touch: most of a large document is the same object.
  const keys = new Set([...Object.keys(a), ...Object.keys(b)] as (keyof ThemeDocument)[]);
  return [...keys].every((key) => a[key] === b[key] || JSON.stringify(a[key]) === JSON.stringify(b[key]));
}

/** Whether two documents come to the same theme: what is chosen or written for the handoff derives nothing. */
export function derivesSame(a: ThemeDocument, b: ThemeDocument): boolean {
  const bare = (d: ThemeDocument) => ({ ...d, handoff: undefined, pack: undefined, forms: undefined });
  return sameDocument(bare(a), bare(b));
}

/**
 * Changes a brand colour's own values; its name and slug are the server's to change. One that the
 * document has from its parent becomes its own by this.
 */
export function setBrand(
  document: ThemeDocument,
  { name, slug }: { name: string; slug?: string | null },
  change: Partial<Brand> & { color: string },
): ThemeDocument {
  const own = document.brand ?? [];
  if (!own.some((b) => b.slug === slug)) return { ...document, brand: [...own, { name, slug, ...change }] };
  return { ...document, brand: own.map((b) => (b.slug === slug ? { ...b, ...change } : b)) };
}

export function setScale(
  document: ThemeDocument,
  slug: string,
  change: Partial<ScaleSettings>,
): ThemeDocument {
  return { ...document, scales: { ...document.scales, [slug]: { ...document.scales?.[slug], ...change } } };
}

/** Moves a step to a lightness, to a tenth; without one back to derived. */
export function setStepLightness(
  document: ThemeDocument,
  slug: string,
  label: string,
  lightness: number | undefined,
): ThemeDocument {
  const { [label]: _, ...rest } = document.scales?.[slug]?.lightness ?? {};
  const moved = lightness === undefined ? rest : { ...rest, [label]: Math.round(lightness * 10) / 10 };
  return setScale(document, slug, { lightness: moved });
}

/** Holds a step at a colour; without one lets go of it. */
export function setPin(
  document: ThemeDocument,
  slug: string,
  label: string,
  color: string | undefined,
): ThemeDocument {
  const { [label]: _, ...rest } = document.scales?.[slug]?.pins ?? {};
  return setScale(document, slug, { pins: color === undefined ? rest : { ...rest, [label]: color } });
}

/** Leaves a step out of exports, or takes it back in. */
export function omitStep(document: ThemeDocument, slug: string, label: string, out: boolean): ThemeDocument {
  const others = (document.scales?.[slug]?.omit ?? []).filter((l) => l !== label);
  return setScale(document, slug, { omit: out ? [...others, label] : others });
}

/** Every step of every scale in exports again. */
export const takeBack = (document: ThemeDocument): ThemeDocument =>
  Object.keys(document.scales ?? {}).reduce(
    (before, slug) => setScale(before, slug, { omit: [], off: null }),
    document,
  );

/** A mode at a level, as people say it. */
export const atLevel = (mode: Mode, level: Level) => (level === "usual" ? mode : `${mode}, more contrast`);

/** Whether a token can be set by hand at a level: only roles are for more contrast, and type and shape not here. */
export const isSettable = ({ section }: Token, level: Level) =>
  section === "roles" || (level === "usual" && (section === "own" || section === "scales"));

/** Sets a token by hand in one mode, wherever documents keep it; without text back to derived. Only
 * roles are set for more contrast: everything else follows the usual level. */
export function setToken(
  document: ThemeDocument,
  token: Token,
  mode: Mode,
  text: string | undefined,
  level: Level = "usual",
): ThemeDocument {
  if (level === "more") {
    const roles = withValue(document.contrast?.roles, token.path, mode, text);
    return { ...document, contrast: { ...document.contrast, roles } };
  }
  if (token.section === "scales") {
    const [slug = "", label = ""] = token.path.split(".");
    return setPin(document, slug, label, text);
  }
  if (token.section === "own") return setOwn(document, token, mode, text ?? "");
  return { ...document, roles: withValue(document.roles, token.path, mode, text) };
}

type Roles = ThemeDocument["roles"];

/** Roles with one set in a mode, or given back. */
function withValue(roles: Roles, path: string, mode: Mode, text: string | undefined): Roles {
  const { [mode]: _, ...rest } = roles?.[path] ?? {};
  const values = text === undefined ? rest : { ...rest, [mode]: text };
  const { [path]: __, ...others } = roles ?? {};
  return Object.keys(values).length > 0 ? { ...others, [path]: values } : others;
}

function setOwn(document: ThemeDocument, token: Token, mode: Mode, text: string): ThemeDocument {
  const { value, ...own } = document.tokens?.[token.path] ?? {};
  const changed: TokenValues = token.dark
    ? {
        // What this document does not say in the other mode, its parent does.
        ...(token.kind === "color" ? own : { kind: token.kind, ...own }),
        light: own.light ?? value ?? undefined,
        dark: own.dark ?? value ?? undefined,
        [mode]: text,
      }
    : { ...(token.kind === "color" ? own : { kind: token.kind, ...own }), value: text };
  return { ...document, tokens: { ...document.tokens, [token.path]: changed } };
}

export function addToken(document: ThemeDocument, path: string, token: TokenValues): ThemeDocument {
  return { ...document, tokens: { ...document.tokens, [path]: token } };
}

export function removeToken(document: ThemeDocument, path: string): ThemeDocument {
  const { [path]: _, ...tokens } = document.tokens ?? {};
  return { ...document, tokens };
}

/** Remembers one more choice of an option of a target. */
export function setOption(
  document: ThemeDocument,
  target: string,
  option: string,
  value: string,
): ThemeDocument {
  const options = { ...document.handoff?.[target], [option]: value };
  // Options and packing are two things: what is packed by its options alone stays as it is.
  const pack = packed(document);
  return { ...document, pack, handoff: { ...document.handoff, [target]: options } };
}

/** Ids of the targets that the archive packs. */
export function packed(document: ThemeDocument): string[] {
  return document.pack ?? Object.keys(document.handoff ?? {});
}

/** Packs targets, or leaves them out; their options stay. */
export function setPacked(document: ThemeDocument, ids: string[], on: boolean): ThemeDocument {
  const others = packed(document).filter((id) => !ids.includes(id));
  return { ...document, pack: (on ? [...others, ...ids] : others).sort() };
}

type Form = NonNullable<ThemeDocument["forms"]>[string];

/** Puts a form under a name; without one it is removed. */
export function setForm(document: ThemeDocument, name: string, form: Form | undefined): ThemeDocument {
  const { [name]: _, ...others } = document.forms ?? {};
  return { ...document, forms: form ? { ...others, [name]: form } : others };
}

/** Lets a finding stand as it is, for a reason. */
export function accept(document: ThemeDocument, finding: Finding, reason: string): ThemeDocument {
  const { id, tokens, mode, measure } = finding;
  const accepted = { id, tokens, ...(mode && { mode }), reason, measure };
  return { ...document, accepted: [...(document.accepted ?? []), accepted] };
}

/** Whether this document itself, and not one that it extends, lets a finding stand. */
export function isAccepted(document: ThemeDocument, finding: Finding): boolean {
  return document.accepted?.some((a) => isOf(a, finding)) ?? false;
}

/** Takes back that a finding may stand. */
export function countAgain(document: ThemeDocument, finding: Finding): ThemeDocument {
  return { ...document, accepted: document.accepted?.filter((a) => !isOf(a, finding)) };
}

const isOf = (accepted: Accepted, finding: Finding) =>
  accepted.id === finding.id &&
  accepted.tokens.join() === finding.tokens.join() &&
  (accepted.mode ?? null) === (finding.mode ?? null);
