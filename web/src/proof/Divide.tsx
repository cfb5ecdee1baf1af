import type { KeyboardEvent, PointerEvent } from "react";
import classes from "./ProofPane.module.css";

interface Props {
  share: number;
  onShare: (share: number) => void;
}

const within = (share: number) => Math.min(0.9, Math.max(0.1, share));

/** The line between light and dark, dragged or moved by arrow keys. */
export function Divide({ share, onShare }: Props) {
  const drag = (event: PointerEvent<HTMLElement>) => {
    if (!event.currentTarget.hasPointerCapture(event.pointerId)) return;
    const box = event.currentTarget.parentElement?.getBoundingClientRect();
    if (box) onShare(within((event.clientX - box.left) / box.width));
  };
  const press = (event: KeyboardEvent) => {
    const step = { ArrowLeft: -0.05, ArrowRight: 0.05 }[event.key];
    if (step === undefined) return;
    event.preventDefault();
    onShare(within(share + step));
  };
  return (
    // biome-ignore lint/a11y/useSemanticElements: a separator that can be moved has no element of its own
    <div
      role="separator"
      aria-orientation="vertical"
      aria-label="Divide between light and dark"
      aria-valuenow={Math.round(share * 100)}
      tabIndex={0}
      className={classes.divide}
      onPointerDown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
      onPointerMove={drag}
      onKeyDown={press}
    />
  );
}
