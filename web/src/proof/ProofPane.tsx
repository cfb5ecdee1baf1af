import { Modal } from "@mantine/core";
import { useHotkeys, useMediaQuery } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { useNavigate, useSearch } from "@tanstack/react-router";
import { useCallback, useState } from "react";
import { themesQuery } from "../api/queries";
import { useTheEditor } from "../editor/EditorContext";
import { WakeList } from "../shell/WakeList";
import { Divide } from "./Divide";
import type { Paint } from "./inspect";
import { ProofFrame } from "./ProofFrame";
import classes from "./ProofPane.module.css";
import { PAGE_NAMES, type PageName } from "./pages";
import { Shares } from "./Shares";
import { useOther } from "./useOther";

const CHOICES = ["light", "both", "dark"] as const;

/** Pages of the scenario, painted by the exported style sheets alone. */
export function ProofPane() {
  const { preview, theme, spec } = useTheEditor();
  const { proof = "both", page = "timetable", against } = useSearch({ from: "/themes/$slug" });
  const { data: other } = useOther(theme.slug, spec, against);
  const { data: themes = [] } = useQuery(themesQuery);
  const [listed, setListed] = useState(false);
  const comparing = against !== undefined && other !== undefined;
  const navigate = useNavigate();
  const [wide, setWide] = useState(false);
  // In a narrow window the pages are seen from further away rather than cut.
  const narrow = useMediaQuery("(max-width: 1180px)");
  const zoom = wide ? 1 : narrow ? 0.6 : 0.75;
  const [share, setShare] = useState(0.5);
  const [paint, setPaint] = useState<Paint>();
  const [counting, setCounting] = useState(false);
  const [shares, setShares] = useState<Map<string, number>>();
  useHotkeys([["w", () => setWide((w) => !w)]]);

  const choose = (choice: (typeof CHOICES)[number]) =>
    void navigate({ to: ".", search: (s) => ({ ...s, proof: choice === "both" ? undefined : choice }) });
  const turn = (name: PageName) =>
    void navigate({ to: ".", search: (s) => ({ ...s, page: name === "timetable" ? undefined : name }) });
  const compare = (slug: string) =>
    void navigate({ to: ".", search: (s) => ({ ...s, against: slug === "" ? undefined : slug }) });
  const pathOf = useCallback(
    (css: string | undefined) => preview?.derived.tokens.find((t) => t.css === css)?.path,
    [preview],
  );
  const colorOf = (css: string) => {
    const token = preview?.derived.tokens.find((t) => t.css === css);
    return (proof === "dark" ? (token?.dark ?? token?.light) : token?.light)?.value;
  };
  const pick = (picked: Paint) => {
    const path = pathOf(picked.ground) ?? pathOf(picked.text);
    if (path)
      void navigate({
        to: "/themes/$slug/ledger",
        params: (p) => ({ slug: p.slug ?? "" }),
        search: (s) => ({ ...s, token: path }),
      });
  };
  const half = (mode: "light" | "dark", grow: number, counted: boolean, others?: string[]) => (
    <ProofFrame
      mode={mode}
      page={page}
      others={others}
      zoom={zoom}
      grow={grow}
      onPoint={setPaint}
      onPick={pick}
      onCoverage={counting && counted ? setShares : undefined}
    />
  );

  return (
    <section className={classes.pane} data-wide={wide} aria-label="Proof">
      <div className={classes.head}>
        <h2 className={classes.title}>Proof</h2>
        {CHOICES.map((choice) => (
          <button
            key={choice}
            type="button"
            className={classes.choice}
            aria-pressed={proof === choice}
            onClick={() => choose(choice)}
          >
            {choice}
          </button>
        ))}
        <select
          className={classes.against}
          aria-label="Compare with"
          value={against ?? ""}
          onChange={(e) => compare(e.currentTarget.value)}
        >
          <option value="">compare …</option>
          {against?.startsWith("rev-") && <option value={against}>{against.replace("-", " ")}</option>}
          {themes
            .filter((t) => t.slug !== theme.slug)
            .map((t) => (
              <option key={t.id} value={t.slug}>
                {t.name}
              </option>
            ))}
        </select>
        <button
          type="button"
          className={classes.choice}
          aria-pressed={counting}
          onClick={() => setCounting((c) => !c)}
        >
          shares
        </button>
        <button
          type="button"
          className={classes.choice}
          aria-pressed={wide}
          title="Key w"
          onClick={() => setWide((w) => !w)}
        >
          wide
        </button>
      </div>
      <div className={classes.pages} role="tablist" aria-label="Pages of the proof">
        {PAGE_NAMES.map((name) => (
          <button
            key={name}
            type="button"
            role="tab"
            aria-selected={name === page}
            className={classes.page}
            onClick={() => turn(name)}
          >
            {name}
          </button>
        ))}
      </div>
      {comparing && (
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
            title={`What differs from ${other.name}`}
            size="lg"
          >
            <WakeList wake={other.wake} />
          </Modal>
        </div>
      )}
      <div className={classes.halves}>
        {comparing ? (
          <>
            {half(proof === "dark" ? "dark" : "light", share, true)}
            <Divide share={share} onShare={setShare} />
            {half(proof === "dark" ? "dark" : "light", 1 - share, false, other.sheets)}
          </>
        ) : (
          <>
            {proof !== "dark" && half("light", proof === "both" ? share : 1, true)}
            {proof === "both" && <Divide share={share} onShare={setShare} />}
            {proof !== "light" && half("dark", proof === "both" ? 1 - share : 1, proof === "dark")}
          </>
        )}
      </div>
      {counting && shares && <Shares shares={shares} colorOf={colorOf} />}
      <p className={classes.paint} aria-live="off">
        {paint ? (
          <>
            <Named what="text" path={pathOf(paint.text)} />
            <Named what="ground" path={pathOf(paint.ground)} />
            <Named what="border" path={pathOf(paint.border)} />
          </>
        ) : (
          "Point at anything to see which tokens paint it; a click leads to them."
        )}
      </p>
    </section>
  );
}

function Named({ what, path }: { what: string; path: string | undefined }) {
  if (!path) return null;
  return (
    <span>
      {what} <b>{path}</b>
    </span>
  );
}
