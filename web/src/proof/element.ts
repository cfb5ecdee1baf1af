type Child = Node | string;

/** An element with classes, attributes and children: `el("a.link", { href: "#" }, "Rules")`. */
export function el(name: string, ...rest: (Record<string, string> | Child)[]): HTMLElement {
  const [tag = "div", ...classNames] = name.split(".");
  const node = document.createElement(tag);
  if (classNames.length > 0) node.className = classNames.join(" ");
  for (const part of rest) {
    if (typeof part === "string" || part instanceof Node) node.append(part);
    else for (const [key, value] of Object.entries(part)) node.setAttribute(key, value);
  }
  return node;
}
