import { useNavigate, useSearch } from "@tanstack/react-router";
import { Suspense } from "react";
import { landing } from "../../ui/arrive";
import { PartNav } from "../../ui/PartNav";
import classes from "./HandoffStage.module.css";
import { SIDES } from "./sides";

/** What leaves the theme: files of targets, in-house forms, and what exists with other colours. */
export default function HandoffStage() {
  const search = useSearch({ from: "/themes/$slug" });
  const navigate = useNavigate();
  const side = SIDES.find((s) => s.id === search.side) ?? SIDES[0];
  const Side = side.load;
  return (
    <div className={classes.handoff}>
      <h1 className="visually-hidden">Handoff</h1>
      <PartNav
        label="Sides of the handoff"
        parts={SIDES}
        chosen={side.id}
        onChoose={(id) => void navigate({ to: ".", search: (s) => ({ ...s, side: id }), replace: true })}
      />
      <Suspense fallback={null}>
        <div className={classes.whole} {...landing("side", side.id)}>
          <Side />
        </div>
      </Suspense>
    </div>
  );
}
