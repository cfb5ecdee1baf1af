export const themes = [
  @themes
];
export const choices = {
  theme: themes,
  mode: [["light"], ["dark"]],
  primary: @primary,
  surface: @surface,
};
const key = @key;
const { dataset } = document.documentElement;

export const current = () => {
  try {
    return JSON.parse(localStorage.getItem(key)) ?? {};
  } catch {
    return {};
  }
};

const show = (choice) => {
  for (const kind in choices) {
    if (choice[kind]) dataset[kind] = choice[kind];
    else delete dataset[kind];
  }
  dispatchEvent(new CustomEvent("themechange", { detail: choice }));
};

export const choose = (change) => {
  const choice = { ...current(), ...change };
  try {
    localStorage.setItem(key, JSON.stringify(choice));
  } catch {}
  show(choice);
};

addEventListener("storage", () => show(current()));
show(current());

customElements.define(
  "theme-select",
  class extends HTMLElement {
    connectedCallback() {
      const kind = this.getAttribute("for") || "theme";
      const select = document.createElement("select");
      select.ariaLabel = this.getAttribute("label") || kind;
      const none = this.getAttribute("none") || { mode: "system" }[kind];
      if (none) select.add(new Option(none, ""));
      const list = choices[kind];
      for (const [slug, name] of list) select.add(new Option(name || slug, slug));
      const read = () => {
        select.value = current()[kind] || (none ? "" : list[0][0]);
      };
      select.onchange = () => choose({ [kind]: select.value });
      addEventListener("themechange", read);
      read();
      this.replaceChildren(select);
    }
  },
);
