import { type FormEvent, useState } from "react";
import { refusalIn, refusalOf } from "../../api/client";
import type { Outcome } from "../../editor/state";
import classes from "./Ledger.module.css";

/** A form whose refusal stands in it: what was typed stays until it is taken. */
export function useTaking() {
  const [refusal, setRefusal] = useState<string>();
  const take = async (save: () => Promise<Outcome>, done?: () => void) => {
    try {
      const { problem } = await save();
      setRefusal(problem && refusalOf(problem));
      if (!problem) done?.();
    } catch (error) {
      setRefusal(refusalIn(error));
    }
  };
  return {
    take,
    /** As what a form does when it is sent. */
    onSubmit: (save: () => Promise<Outcome>, done: () => void) => (event: FormEvent) => {
      event.preventDefault();
      void take(save, done);
    },
    forget: () => setRefusal(undefined),
    refused: refusal ? (
      <p className={classes.refusal} role="alert">
        {refusal}
      </p>
    ) : null,
  };
}
