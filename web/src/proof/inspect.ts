/** Which tokens paint an element: found in the rules of the exported sheets that match it. */

export interface Paint {
  text?: string;
  ground?: string;
  border?: string;
}

const GROUND = ["background-color", "fill", "stroke"];
const BORDER = ["border-top-color", "border-bottom-color", "border-left-color", "outline-color"];

interface Rule {
  selector: string;
  style: CSSStyleDeclaration;
}

/** All style rules of the adopted sheets, in the order of the cascade. */
function rulesOf(page: Document): Rule[] {
  const out: Rule[] = [];
  const walk = (rules: CSSRuleList) => {
    for (const rule of rules) {
      if ("selectorText" in rule) {
        const { selectorText, style } = rule as CSSStyleRule;
        // Pointer states come and go: what is named is the colour at rest or of a state laid open.
        for (const selector of selectorText.split(",")) {
          if (!/:(hover|active|focus-visible|root)/.test(selector))
            out.push({ selector: selector.trim(), style });
        }
      } else if ("cssRules" in rule) walk((rule as CSSGroupingRule).cssRules);
    }
  };
  for (const sheet of page.adoptedStyleSheets) walk(sheet.cssRules);
  return out;
}

/** The custom property that a declaration of an element refers to. */
function reference(rules: Rule[], element: Element, properties: string[]): string | undefined {
  let found: string | undefined;
  for (const { selector, style } of rules) {
    for (const property of properties) {
      const value = written(style, property);
      if (value && matches(element, selector)) found = value === "none" ? undefined : value;
    }
  }
  return found;
}

/** The name inside `var()`; shorthands with a variable keep their text. */
function written(style: CSSStyleDeclaration, property: string): string | undefined {
  const shorthand = property.startsWith("border")
    ? [property, "border-color", "border", "border-block-end", "border-inline-start"]
    : property === "background-color"
      ? [property, "background", "background-image"]
      : property === "outline-color"
        ? [property, "outline"]
        : [property];
  for (const name of shorthand) {
    const text = style.getPropertyValue(name);
    if (text === "transparent" || text === "none") return "none";
    // Width and radius are variables too: the colour stands last.
    const names = [...text.matchAll(/var\((--[a-z0-9-]+)\)/g)]
      .map((m) => m[1])
      .filter((n) => !n?.includes("shape"));
    if (names.length > 0) return names[names.length - 1];
  }
  return undefined;
}

function matches(element: Element, selector: string): boolean {
  try {
    return element.matches(selector);
  } catch {
    return false;
  }
}

/** Follows a property of a component, such as `--intent-fill`, to the token behind it. */
function token(rules: Rule[], element: Element, name: string | undefined): string | undefined {
  if (!name) return undefined;
  if (!name.startsWith("--intent-") && name !== "--chart") return name;
  for (let at: Element | null = element; at; at = at.parentElement) {
    const found = reference(rules, at, [name]);
    if (found) return found;
  }
  return name.replace("--intent-", "--primary-");
}

function upwards(rules: Rule[], element: Element, properties: string[]): string | undefined {
  for (let at: Element | null = element; at; at = at.parentElement) {
    const found = token(rules, at, reference(rules, at, properties));
    if (found) return found;
  }
  return undefined;
}

/** Names of the custom properties that paint text, ground and border of an element. */
export function paintOf(element: Element): Paint {
  const rules = rulesOf(element.ownerDocument);
  return {
    text: upwards(rules, element, ["color"]),
    ground: upwards(rules, element, GROUND),
    border: token(rules, element, reference(rules, element, BORDER)),
  };
}

/** How much of the page each ground covers, from 0 to 1, by a grid of points. */
export function coverage(page: Document, columns = 36, rows = 60): Map<string, number> {
  const rules = rulesOf(page);
  const known = new Map<Element, string>();
  const out = new Map<string, number>();
  const { clientWidth: width, clientHeight: height } = page.documentElement;
  for (let r = 0; r < rows; r++) {
    for (let c = 0; c < columns; c++) {
      const element = page.elementFromPoint(((c + 0.5) / columns) * width, ((r + 0.5) / rows) * height);
      if (!element) continue;
      const ground = known.get(element) ?? upwards(rules, element, GROUND) ?? "--surface-base";
      known.set(element, ground);
      out.set(ground, (out.get(ground) ?? 0) + 1 / (rows * columns));
    }
  }
  return out;
}
