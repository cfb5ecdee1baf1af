import type { Token } from "../api/client";

const PETALS = ["primary", "secondary", "accent", "success", "warning"];

/** Five petals, painted with the theme at hand. */
export function Mark({ tokens }: { tokens: Token[] | undefined }) {
  const fill = (intent: string) => tokens?.find((t) => t.path === `${intent}.fill`)?.light.value ?? "#8a8a8a";
  return (
    <svg viewBox="-12 -12 24 24" width="22" height="22" aria-hidden="true">
      {PETALS.map((intent, i) => (
        <ellipse key={intent} cy="-6.2" rx="3.4" ry="5" fill={fill(intent)} transform={`rotate(${i * 72})`} />
      ))}
    </svg>
  );
}
