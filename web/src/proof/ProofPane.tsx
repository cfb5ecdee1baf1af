import { Modal } from "@mantine/core";
import { useMediaQuery } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { useNavigate, useSearch } from "@tanstack/react-router";
import { useCallback, useState } from "react";
import type { Token } from "../api/client";
import { themesQuery, vocabularyQuery } from "../api/queries";
import { useEditorState } from "../editor/EditorProvider";
import { type Level, toggleContrast, useLevel } from "../editor/level";
import { documentOf, hasMoreOf, themeOf, tokensOf } from "../editor/selectors";
import { Swatch } from "../ui/Swatch";
import { useGoTo } from "../ui/useGoTo";
import { WakeList } from "../ui/WakeList";
import { Divide } from "./Divide";
import { EyesBand, EyesChoice } from "./EyesBar";
import type { Paint } from "./inspect";
import { OwnPane } from "./OwnPane";
import { ProofFrame } from "./ProofFrame";
import classes from "./ProofPane.module.css";
import { PAGE_NAMES, type PageName } from "./pages";
import { Shares } from "./Shares";
import { AT_MORE, useOther } from "./useOther";
import { toggleWide, useWide } from "./wide";

const CHOICES = ["light", "both", "dark"] as const;

/** What a half of the proof is painted with, where it is not the theme as it is shown everywhere. */
interface Side {
  level?: Level;
  sheets?: string[];
}

/** Pages of the scenario, painted by the exported style sheets alone. */
export function ProofPane() {
  const theme = useEditorState(themeOf);
  const spec = useEditorState(documentOf);
  const tokens = useEditorState(tokensOf);
  const { data: vocabulary } = useQuery(vocabularyQuery);
  const { proof = "both", page = "timetable", own = false, against } = useSearch({ from: "/themes/$slug" });
  const { data: other } = useOther(theme.slug, spec, against);
  const { data: themes = [] } = useQuery(themesQuery);
  const [listed, setListed] = useState(false);
  const ofLevel = against === AT_MORE;
  const hasMore = useEditorState(hasMoreOf);
  const comparing = against !== undefined && other !== undefined;
  const navigate = useNavigate();
  const goTo = useGoTo();
  const { wide } = useWide();
  const level = useLevel();
  // In a narrow window the pages are seen from further away rather than cut.
  const narrow = useMediaQuery("(max-width: 1180px)");
  const zoom = wide ? 1 : narrow ? 0.6 : 0.75;
  const [share, setShare] = useState(0.5);
  const [paint, setPaint] = useState<Paint>();
  const [counting, setCounting] = useState(false);
  const [shares, setShares] = useState<Map<string, number>>();

  const choose = (choice: (typeof CHOICES)[number]) =>
    void navigate({ to: ".", search: (s) => ({ ...s, proof: choice === "both" ? undefined : choice }) });
  const turn = (name: PageName) =>
    void navigate({
      to: ".",
      search: (s) => ({ ...s, own: undefined, page: name === "timetable" ? undefined : name }),
    });
  const turnOwn = () => void navigate({ to: ".", search: (s) => ({ ...s, own: true }) });
  const compare = (slug: string) =>
    void navigate({ to: ".", search: (s) => ({ ...s, against: slug === "" ? undefined : slug }) });
  const tokenOf = useCallback((css: string | undefined) => tokens?.find((t) => t.css === css), [tokens]);
  const pathOf = (css: string | undefined) => tokenOf(css)?.path;
  const pick = (picked: Paint) => {
    const path = pathOf(picked.ground) ?? pathOf(picked.text);
    if (path) goTo("ledger", { token: path });
  };
  const half = (mode: "light" | "dark", grow: number, counted: boolean, side?: Side) => (
    <ProofFrame
      mode={mode}
      page={page}
      level={side?.level}
      others={side?.sheets}
      zoom={zoom}
      grow={grow}
      rules={vocabulary?.paints ?? []}
      onPoint={setPaint}
      onPick={pick}
      onCoverage={counting && counted ? setShares : undefined}
    />
  );

  return (
    <section id="proof" className={classes.pane} data-wide={wide} aria-label="Proof" tabIndex={-1}>
      <div className={classes.head}>
        <h2 className={classes.title}>Proof</h2>
        {CHOICES.map((choice) => (
          <Choice key={choice} pressed={proof === choice} onClick={() => choose(choice)}>
            {choice}
          </Choice>
        ))}
        <select
          className={classes.against}
          aria-label="Compare with"
          value={against ?? ""}
          onChange={(e) => compare(e.currentTarget.value)}
        >
          <option value="">compare …</option>
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
        <EyesChoice />
        <Choice
          pressed={level === "more"}
          title="As people see it who ask their system for more contrast: text at 7 : 1"
          onClick={toggleContrast}
        >
          contrast
        </Choice>
        <Choice pressed={counting} onClick={() => setCounting((c) => !c)}>
          shares
        </Choice>
        <Choice pressed={wide} title="Key w" onClick={toggleWide}>
          wide
        </Choice>
      </div>
      <div className={classes.pages} role="tablist" aria-label="Pages of the proof">
        {PAGE_NAMES.map((name) => (
          <button
            key={name}
            type="button"
            role="tab"
            aria-selected={name === page && !own}
            className={classes.page}
            onClick={() => turn(name)}
          >
            {name}
          </button>
        ))}
        <button type="button" role="tab" aria-selected={own} className={classes.page} onClick={turnOwn}>
          own page
        </button>
      </div>
      <EyesBand />
      {own && <OwnPane share={share} onShare={setShare} zoom={zoom} />}
      {comparing && !own && (
        <div className={classes.versus}>
          <span>
            now <b>{theme.name}</b>
          </span>
          <button type="button" className={classes.differs} onClick={() => setListed(true)}>
            {other.wake.changes.length} values differ
          </button>
          <span>
            beside <b>{other.name}</b>
          </span>
          <Modal
            opened={listed}
            onClose={() => setListed(false)}
            title={ofLevel ? `What differs at ${other.name}` : `What differs from ${other.name}`}
            size="lg"
          >
            <WakeList changes={other.wake.changes} />
          </Modal>
        </div>
      )}
      <div className={classes.halves} hidden={own}>
        {own ? null : comparing ? (
          (proof === "both" ? (["light", "dark"] as const) : [proof]).map((mode) => (
            <div key={mode} className={classes.rowOfHalves}>
              {half(
                mode,
                share,
                mode !== "dark" || proof === "dark",
                ofLevel ? { level: "usual" } : undefined,
              )}
              <Divide share={share} onShare={setShare} />
              {half(mode, 1 - share, false, other)}
            </div>
          ))
        ) : (
          <>
            {proof !== "dark" && half("light", proof === "both" ? share : 1, true)}
            {proof === "both" && <Divide share={share} onShare={setShare} />}
            {proof !== "light" && half("dark", proof === "both" ? 1 - share : 1, proof === "dark")}
          </>
        )}
      </div>
      {counting && shares && !own && (
        <Shares shares={shares} tokenOf={tokenOf} mode={proof === "dark" ? "dark" : "light"} />
      )}
      <p className={classes.paint} aria-live="off" hidden={own}>
        {paint ? (
          <>
            <Named what="text" token={tokenOf(paint.text)} />
            <Named what="ground" token={tokenOf(paint.ground)} />
            <Named what="border" token={tokenOf(paint.border)} />
          </>
        ) : (
          "Point at anything to see which tokens paint it; a click leads to them."
        )}
      </p>
    </section>
  );
}

function Named({ what, token }: { what: string; token: Token | undefined }) {
  if (!token) return null;
  return (
    <span>
      {what} <Swatch colors={[token.light.value, token.dark?.value]} /> <b>{token.path}</b>
    </span>
  );
}

interface ChoiceProps {
  pressed: boolean;
  title?: string;
  onClick: () => void;
  children: string;
}

/** One way to look at the proof, on or off. */
function Choice({ pressed, title, onClick, children }: ChoiceProps) {
  return (
    <button type="button" className={classes.choice} aria-pressed={pressed} title={title} onClick={onClick}>
      {children}
    </button>
  );
}
