import { useHotkeys } from "@mantine/hooks";
import { useNavigate, useSearch } from "@tanstack/react-router";
import { useCallback, useState } from "react";
import { useTheEditor } from "../editor/EditorContext";
import { Divide } from "./Divide";
import type { Paint } from "./inspect";
import { ProofFrame } from "./ProofFrame";
import classes from "./ProofPane.module.css";
import { PAGE_NAMES, type PageName } from "./pages";
import { Shares } from "./Shares";

const CHOICES = ["light", "both", "dark"] as const;

/** Pages of the scenario, painted by the exported style sheets alone. */
export function ProofPane({ sheets }: { sheets: string[] | undefined }) {
  const { preview } = useTheEditor();
  const { proof = "both", page = "timetable" } = useSearch({ from: "/themes/$slug" });
  const navigate = useNavigate();
  const [wide, setWide] = useState(false);
  const zoom = wide ? 1 : 0.75;
  const [share, setShare] = useState(0.5);
  const [paint, setPaint] = useState<Paint>();
  const [counting, setCounting] = useState(false);
  const [shares, setShares] = useState<Map<string, number>>();
  useHotkeys([["w", () => setWide((w) => !w)]]);

  const choose = (choice: (typeof CHOICES)[number]) =>
    void navigate({ to: ".", search: (s) => ({ ...s, proof: choice === "both" ? undefined : choice }) });
  const turn = (name: PageName) =>
    void navigate({ to: ".", search: (s) => ({ ...s, page: name === "timetable" ? undefined : name }) });
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
  const half = (mode: "light" | "dark", grow: number, counted: boolean) => (
    <ProofFrame
      mode={mode}
      page={page}
      sheets={sheets}
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
      <div className={classes.halves}>
        {proof !== "dark" && half("light", proof === "both" ? share : 1, true)}
        {proof === "both" && <Divide share={share} onShare={setShare} />}
        {proof !== "light" && half("dark", proof === "both" ? 1 - share : 1, proof === "dark")}
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
