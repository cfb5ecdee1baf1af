import type { Spec } from "../api/client";

/** Changes of a document, as pure functions. What they come to, the server says. */

type Brand = NonNullable<Spec["brand"]>[number];
type ScaleSettings = NonNullable<Spec["scales"]>[string];

export function setBrand(spec: Spec, index: number, change: Partial<Brand>): Spec {
  const brand = (spec.brand ?? []).map((b, i) => (i === index ? { ...b, ...change } : b));
  return { ...spec, brand };
}

export function addBrand(spec: Spec, name: string, color: string): Spec {
  return { ...spec, brand: [...(spec.brand ?? []), { name, slug: freeSlug(spec, name), color }] };
}

export function removeBrand(spec: Spec, index: number): Spec {
  const gone = spec.brand?.[index]?.slug;
  const brand = (spec.brand ?? []).filter((_, i) => i !== index);
  const scales = Object.fromEntries(Object.entries(spec.scales ?? {}).filter(([slug]) => slug !== gone));
  const intents = Object.fromEntries(Object.entries(spec.intents ?? {}).filter(([, i]) => i.scale !== gone));
  return { ...spec, brand, scales, intents };
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

export function setStepLightness(spec: Spec, slug: string, label: string, lightness: number): Spec {
  const before = spec.scales?.[slug]?.lightness ?? {};
  return setScale(spec, slug, { lightness: { ...before, [label]: Math.round(lightness * 10) / 10 } });
}

/** A slug for a new colour; the server checks it, this only avoids an obvious clash. */
function freeSlug(spec: Spec, name: string): string {
  const base =
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, "-")
      .replace(/^[^a-z]+|-+$/g, "") || "colour";
  const taken = new Set((spec.brand ?? []).map((b) => b.slug));
  let slug = base;
  for (let n = 2; taken.has(slug); n++) slug = `${base}-${n}`;
  return slug;
}
