import { useHotkeys } from "@mantine/hooks";
import { useNavigate, useSearch } from "@tanstack/react-router";
import { useState } from "react";
import { Divide } from "./Divide";
import { ProofFrame } from "./ProofFrame";
import classes from "./ProofPane.module.css";

const CHOICES = ["light", "both", "dark"] as const;

/** Pages of the scenario, painted by the exported style sheets alone. */
export function ProofPane({ sheets }: { sheets: string[] | undefined }) {
  const { proof = "both" } = useSearch({ from: "/themes/$slug" });
  const navigate = useNavigate();
  const [wide, setWide] = useState(false);
  const [share, setShare] = useState(0.5);
  const zoom = wide ? 1 : 0.75;
  useHotkeys([["w", () => setWide((w) => !w)]]);
  const choose = (choice: (typeof CHOICES)[number]) =>
    void navigate({ to: ".", search: (s) => ({ ...s, proof: choice === "both" ? undefined : choice }) });
  return (
    <section className={classes.pane} data-wide={wide} aria-label="Proof">
      <div className={classes.head}>
        <h2 className={classes.title}>Proof · timetable</h2>
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
          aria-pressed={wide}
          title="Key w"
          onClick={() => setWide((w) => !w)}
        >
          wide
        </button>
      </div>
      <div className={classes.halves}>
        {proof !== "dark" && (
          <ProofFrame mode="light" sheets={sheets} zoom={zoom} grow={proof === "both" ? share : 1} />
        )}
        {proof === "both" && <Divide share={share} onShare={setShare} />}
        {proof !== "light" && (
          <ProofFrame mode="dark" sheets={sheets} zoom={zoom} grow={proof === "both" ? 1 - share : 1} />
        )}
      </div>
    </section>
  );
}
