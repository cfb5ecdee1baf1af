import { useMediaQuery } from "@mantine/hooks";
import { useQuery } from "@tanstack/react-query";
import { useSearch } from "@tanstack/react-router";
import { useCallback, useEffect, useState } from "react";
import type { Level, Token } from "../api/client";
import { vocabularyQuery } from "../api/queries";
import { useEditorState } from "../editor/EditorProvider";
import { themeOf, tokensOf } from "../editor/selectors";
import { counted } from "../ui/counted";
import { Dialog } from "../ui/Dialog";
import { later } from "../ui/later";
import { countMoved } from "../ui/moved";
import { Swatch } from "../ui/Swatch";
import { useGoTo } from "../ui/useGoTo";
import { Divide } from "./Divide";
import { EyesBand } from "./EyesBar";
import type { Paint } from "./inspect";
import { ProofFrame } from "./ProofFrame";
import { ProofHead } from "./ProofHead";
import classes from "./ProofPane.module.css";
import { type Part, sumsOf, useMeasured } from "./shares";
import { AT_MORE, useOther } from "./useOther";
import { useWide } from "./wide";

const Shares = later(() => import("./Shares").then((m) => m.Shares));
const WakeList = later(() => import("../ui/WakeList").then((m) => m.WakeList));
const OwnPane = later(() => import("./OwnPane").then((m) => m.OwnPane));

/** What a half of the proof is painted with, where it is not the theme as it is shown everywhere. */
interface Side {
  level?: Level;
  sheets?: string[];
}

/** Pages of the scenario, painted by the exported style sheets alone. */
export function ProofPane() {
  const theme = useEditorState(themeOf);
  const tokens = useEditorState(tokensOf);
  const { data: vocabulary } = useQuery(vocabularyQuery);
  const { proof = "both", page = "timetable", own = false, against } = useSearch({ from: "/themes/$slug" });
  // What is shown beside nothing need not follow every move.
  const spec = useEditorState((s) => (against === undefined ? s.theme.spec : s.document));
  const { data: other } = useOther(theme.slug, spec, against);
  const [listed, setListed] = useState(false);
  const ofLevel = against === AT_MORE;
  const comparing = against !== undefined && other !== undefined;
  const goTo = useGoTo();
  const { wide } = useWide();
  // In a narrow window the pages are seen from further away rather than cut.
  const narrow = useMediaQuery("(max-width: 1180px)");
  const zoom = wide ? 1 : narrow ? 0.6 : 0.75;
  const [share, setShare] = useState(0.5);
  const [paint, setPaint] = useState<Paint>();
  const [covered, setCovered] = useState<{ page: string; shares: Map<string, number> }>();
  const cover = useCallback((shares: Map<string, number>) => setCovered({ page, shares }), [page]);
  // What was measured belongs to its page.
  const shares = covered?.page === page ? covered.shares : undefined;
  const { shown, wanted } = useMeasured();

  const tokenOf = useCallback((css: string | undefined) => tokens?.find((t) => t.css === css), [tokens]);
  useEffect(() => {
    if (!wanted || !shares || own) return useMeasured.setState({ page: undefined });
    const sums = sumsOf(shares, (css) => tokenOf(css)?.share ?? "accent");
    const percent = (part: Part) => Math.round(sums[part] * 100);
    useMeasured.setState({
      page: {
        page,
        dominant: percent("dominant"),
        secondary: percent("secondary"),
        accent: percent("accent"),
      },
    });
  }, [wanted, shares, own, page, tokenOf]);
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
      onCoverage={(shown || wanted) && counted ? cover : undefined}
    />
  );

  return (
    <section id="proof" className={classes.pane} data-wide={wide} aria-label="Proof" tabIndex={-1}>
      <ProofHead theme={theme} />
      <EyesBand />
      {own && <OwnPane share={share} onShare={setShare} zoom={zoom} />}
      {comparing && !own && (
        <div className={classes.versus}>
          <span>
            now <b>{theme.name}</b>
          </span>
          <button type="button" className={classes.differs} onClick={() => setListed(true)}>
            {counted(countMoved(other.wake), "value")} differ
          </button>
          <span>
            beside <b>{other.name}</b>
          </span>
          <Dialog
            opened={listed}
            onClose={() => setListed(false)}
            title={ofLevel ? `What differs at ${other.name}` : `What differs from ${other.name}`}
            size="lg"
          >
            <WakeList {...other.wake} />
          </Dialog>
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
      {shown && shares && !own && (
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
