import { useRovingIndex } from "@mantine/hooks";
import { IconArrowsDiagonal, IconArrowsDiagonalMinimize2 } from "@tabler/icons-react";
import { useQuery } from "@tanstack/react-query";
import { useNavigate, useSearch } from "@tanstack/react-router";
import { memo } from "react";
import type { Theme } from "../api/client";
import { themesQuery } from "../api/queries";
import { useEditorState } from "../editor/EditorProvider";
import { toggleContrast, useLevel } from "../editor/level";
import { hasMoreOf } from "../editor/selectors";
import { EyesChoice } from "./EyesBar";
import classes from "./ProofHead.module.css";
import { PAGE_NAMES, type PageName } from "./pages";
import { toggleShares, useMeasured } from "./shares";
import { AT_MORE } from "./useOther";
import { toggleWide, useWide } from "./wide";

interface Props {
  theme: Theme;
}

/** What the proof shows: a page of it, the modes, and how they are looked at. */
export const ProofHead = memo(function ProofHead({ theme }: Props) {
  const { wide } = useWide();
  const { shown } = useMeasured();
  const level = useLevel();
  return (
    <header className={classes.head}>
      <div className={classes.first}>
        <h2>Proof</h2>
        <Pages />
        <button
          type="button"
          className={classes.wide}
          aria-label="wide"
          aria-pressed={wide}
          title={`${wide ? "Back beside the bench" : "The proof in the whole window"} (W)`}
          onClick={toggleWide}
        >
          {wide ? <IconArrowsDiagonalMinimize2 size={16} /> : <IconArrowsDiagonal size={16} />}
        </button>
      </div>
      <div className={classes.ways}>
        <Modes />
        <Beside theme={theme} />
        <EyesChoice />
        <Way
          pressed={level === "more"}
          title="As people see it who ask their system for more contrast: text at 7 : 1"
          onClick={toggleContrast}
        >
          contrast
        </Way>
        <Way pressed={shown} title="How much of the page each colour covers" onClick={toggleShares}>
          shares
        </Way>
      </div>
    </header>
  );
});

const TABS = [...PAGE_NAMES, "own page"] as const;

function Pages() {
  const { page = "timetable", own = false } = useSearch({ from: "/themes/$slug" });
  const navigate = useNavigate();
  const turn = (name: PageName | "own page") =>
    void navigate({
      to: ".",
      search: (s) =>
        name === "own page"
          ? { ...s, own: true }
          : { ...s, own: undefined, page: name === "timetable" ? undefined : name },
    });
  const shown = own ? "own page" : page;
  const roving = useRovingIndex({
    total: TABS.length,
    focusedIndex: TABS.indexOf(shown),
    activateOnFocus: true,
  });
  return (
    <div className={classes.pages} role="tablist" aria-label="Pages of the proof">
      {TABS.map((name, index) => (
        <button
          key={name}
          type="button"
          role="tab"
          aria-selected={name === shown}
          className={classes.page}
          {...roving.getItemProps({ index, onClick: () => turn(name) })}
        >
          {name}
        </button>
      ))}
    </div>
  );
}

const MODES = ["light", "both", "dark"] as const;

/** Light, dark or both, each with its shape: one sheet, another, the two side by side. */
function Modes() {
  const { proof = "both" } = useSearch({ from: "/themes/$slug" });
  const navigate = useNavigate();
  const choose = (mode: (typeof MODES)[number]) =>
    void navigate({ to: ".", search: (s) => ({ ...s, proof: mode === "both" ? undefined : mode }) });
  return (
    <fieldset className={classes.modes} aria-label="Modes">
      {MODES.map((mode) => (
        <button
          key={mode}
          type="button"
          aria-label={mode}
          title={mode === "both" ? "light and dark" : mode}
          aria-pressed={proof === mode}
          onClick={() => choose(mode)}
        >
          <svg viewBox="0 0 12 12" aria-hidden="true" data-mode={mode}>
            <rect x="0.5" y="0.5" width="11" height="11" />
            {mode !== "light" && <path d={mode === "both" ? "M6 1h5v10H6z" : "M1 1h10v10H1z"} />}
          </svg>
          <span>{mode}</span>
        </button>
      ))}
    </fieldset>
  );
}

/** What the theme is compared with. */
function Beside({ theme }: { theme: Theme }) {
  const { against } = useSearch({ from: "/themes/$slug" });
  const { data: themes = [] } = useQuery(themesQuery);
  const hasMore = useEditorState(hasMoreOf);
  const navigate = useNavigate();
  const compare = (slug: string) =>
    void navigate({ to: ".", search: (s) => ({ ...s, against: slug === "" ? undefined : slug }) });
  return (
    <select
      className={classes.choice}
      data-chosen={against !== undefined}
      aria-label="Compare with"
      title="Alone, or side by side with what it is compared with"
      value={against ?? ""}
      onChange={(e) => compare(e.currentTarget.value)}
    >
      <option value="">alone</option>
      {hasMore && <option value={AT_MORE}>more contrast</option>}
      {against?.startsWith("rev-") && <option value={against}>{against.replace("-", " ")}</option>}
      {themes
        .filter((t) => t.slug !== theme.slug)
        .map((t) => (
          <option key={t.id} value={t.slug}>
            {t.name}
          </option>
        ))}
    </select>
  );
}

interface WayProps {
  pressed: boolean;
  title: string;
  onClick: () => void;
  children: string;
}

/** One way to look at the proof, on or off. */
function Way({ pressed, title, onClick, children }: WayProps) {
  return (
    <button type="button" className={classes.way} aria-pressed={pressed} title={title} onClick={onClick}>
      {children}
    </button>
  );
}
