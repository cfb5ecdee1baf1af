import type { Spec, Token } from "../api/client";

/** A change, made to whatever document is current by then. */
export type Edit = (spec: Spec) => Spec;

export type Mode = "light" | "dark";

/** Changes of a document, as pure functions. What they come to, the server says. */

type Brand = NonNullable<Spec["brand"]>[number];
type ScaleSettings = NonNullable<Spec["scales"]>[string];

/** Whether two documents say the same. */
export function alike(a: Spec, b: Spec): boolean {
  // A change keeps every part that it does not touch: most of a large document is the same object.
  const keys = new Set([...Object.keys(a), ...Object.keys(b)] as (keyof Spec)[]);
  return [...keys].every((key) => a[key] === b[key] || JSON.stringify(a[key]) === JSON.stringify(b[key]));
}

/** Whether two documents come to the same theme: what is chosen for the handoff derives nothing. */
export function derivesAlike(a: Spec, b: Spec): boolean {
  return alike({ ...a, handoff: undefined }, { ...b, handoff: undefined });
}

export function setBrand(spec: Spec, index: number, change: Partial<Brand>): Spec {
  const brand = (spec.brand ?? []).map((b, i) => (i === index ? { ...b, ...change } : b));
  return { ...spec, brand };
}

/** Whether a written value is a reference into the group of a brand colour. */
export function refersTo(text: string | null | undefined, slug: string): boolean {
  return text?.replace(/\s/g, "").startsWith(`{${slug}.`) ?? false;
}

/** Removes a brand colour with everything that refers to it. */
export function removeBrand(spec: Spec, index: number): Spec {
  const gone = spec.brand?.[index]?.slug ?? "";
  const inside = (text: string | null | undefined) => refersTo(text, gone);
  const brand = (spec.brand ?? []).filter((_, i) => i !== index);
  const scales = Object.fromEntries(
    Object.entries(spec.scales ?? {})
      .filter(([slug]) => slug !== gone)
      .map(([slug, s]) => [slug, s.to === gone ? { ...s, to: null } : s]),
  );
  const roles = Object.fromEntries(
    Object.entries(spec.roles ?? {}).filter(([, v]) => !inside(v.light) && !inside(v.dark)),
  );
  const tokens = Object.fromEntries(
    Object.entries(spec.tokens ?? {}).filter(
      ([, t]) => !inside(t.value) && !inside(t.light) && !inside(t.dark),
    ),
  );
  const intents = Object.fromEntries(Object.entries(spec.intents ?? {}).filter(([, i]) => i.scale !== gone));
  return { ...spec, brand, scales, intents, roles, tokens };
}

export function moveBrand(spec: Spec, from: number, to: number): Spec {
  const brand = [...(spec.brand ?? [])];
  const [moved] = brand.splice(from, 1);
  if (moved) brand.splice(to, 0, moved);
  return { ...spec, brand };
}

export function setScale(spec: Spec, slug: string, change: Partial<ScaleSettings>): Spec {
  return { ...spec, scales: { ...spec.scales, [slug]: { ...spec.scales?.[slug], ...change } } };
}

/** Moves a step to a lightness, to a tenth; without one back to derived. */
export function setStepLightness(
  spec: Spec,
  slug: string,
  label: string,
  lightness: number | undefined,
): Spec {
  const { [label]: _, ...rest } = spec.scales?.[slug]?.lightness ?? {};
  const moved = lightness === undefined ? rest : { ...rest, [label]: Math.round(lightness * 10) / 10 };
  return setScale(spec, slug, { lightness: moved });
}

/** Holds a step at a colour; without one lets go of it. */
export function setPin(spec: Spec, slug: string, label: string, color: string | undefined): Spec {
  const { [label]: _, ...rest } = spec.scales?.[slug]?.pins ?? {};
  return setScale(spec, slug, { pins: color === undefined ? rest : { ...rest, [label]: color } });
}

/** Leaves a step out of exports, or takes it back in. */
export function omitStep(spec: Spec, slug: string, label: string, out: boolean): Spec {
  const others = (spec.scales?.[slug]?.omit ?? []).filter((l) => l !== label);
  return setScale(spec, slug, { omit: out ? [...others, label] : others });
}

/** Sets a token by hand in one mode, wherever documents keep it; without text back to derived. */
export function setToken(spec: Spec, token: Token, mode: Mode, text: string | undefined): Spec {
  if (token.section === "scales") {
    const [slug = "", label = ""] = token.path.split(".");
    return setPin(spec, slug, label, text);
  }
  if (token.section === "own") return setOwn(spec, token, mode, text ?? "");
  const { [mode]: _, ...rest } = spec.roles?.[token.path] ?? {};
  const values = text === undefined ? rest : { ...rest, [mode]: text };
  const { [token.path]: __, ...others } = spec.roles ?? {};
  return { ...spec, roles: Object.keys(values).length > 0 ? { ...others, [token.path]: values } : others };
}

function setOwn(spec: Spec, token: Token, mode: Mode, text: string): Spec {
  const before = spec.tokens?.[token.path] ?? {};
  const { value, ...own } = before;
  const changed =
    token.dark === undefined
      ? { ...before, value: text }
      : {
          ...own,
          light: own.light ?? value ?? undefined,
          dark: own.dark ?? value ?? undefined,
          [mode]: text,
        };
  return { ...spec, tokens: { ...spec.tokens, [token.path]: changed } };
}

export function addToken(spec: Spec, path: string, token: NonNullable<Spec["tokens"]>[string]): Spec {
  return { ...spec, tokens: { ...spec.tokens, [path]: token } };
}

export function removeToken(spec: Spec, path: string): Spec {
  const { [path]: _, ...tokens } = spec.tokens ?? {};
  return { ...spec, tokens };
}

export function addIntent(spec: Spec, name: string, scale: string): Spec {
  return { ...spec, intents: { ...spec.intents, [name]: { scale } } };
}

/** Chooses a target for the handoff with one more choice of an option. */
export function setOption(spec: Spec, target: string, option: string, value: string): Spec {
  const options = { ...spec.handoff?.[target], [option]: value };
  return { ...spec, handoff: { ...spec.handoff, [target]: options } };
}

/** Chooses targets for the handoff, with the options that they have. */
export function chooseTargets(spec: Spec, ids: string[]): Spec {
  const added = Object.fromEntries(ids.map((id) => [id, spec.handoff?.[id] ?? {}]));
  return { ...spec, handoff: { ...spec.handoff, ...added } };
}

/** Lets go of targets and of their options. */
export function dropTargets(spec: Spec, ids: string[]): Spec {
  const rest = Object.entries(spec.handoff ?? {}).filter(([id]) => !ids.includes(id));
  return { ...spec, handoff: Object.fromEntries(rest) };
}
