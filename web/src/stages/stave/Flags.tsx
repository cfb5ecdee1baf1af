import { memo, type PointerEvent, type RefObject, useCallback, useRef, useState } from "react";
import type { Scale } from "../../api/client";
import { opens, Panel } from "../../ui/Panel";
import { RolePlaces } from "./RolePlaces";
import type { Flag, Mode } from "./roles";
import classes from "./Stave.module.css";
import { useRoleMove } from "./useRoleMove";

const LANE = 15;
const CLICK = 3;

interface Props {
  scale: Scale;
  flags: Flag[];
  side: "above" | "below";
}

/** Names of the roles on an open line: light mode above it, dark mode below. */
export function Flags({ scale, flags, side }: Props) {
  // While one is dragged the draft puts its role elsewhere: the flags stay as they were until it is dropped.
  const [held, setHeld] = useState<Flag[]>();
  const [pressed, setPressed] = useState<string>();
  const shown = held ?? flags;
  const mode = side === "above" ? "light" : "dark";
  const move = useRoleMove(mode);
  const now = useRef({ scale, move, shown });
  now.current = { scale, move, shown };
  const hold = useCallback((path: string | undefined) => {
    setPressed(path);
    setHeld(path ? now.current.shown : undefined);
  }, []);
  const lanes = shown.reduce((most, f) => Math.max(most, f.lane + 1), 1);
  return (
    <div className={classes.flags} data-side={side} style={{ height: lanes * LANE + 6 }}>
      {shown.map((flag) => (
        <FlagMark
          key={flag.path}
          now={now}
          flag={flag}
          side={side}
          mode={mode}
          ratio={pressed === flag.path ? move.ratio(flag.roles[0] ?? "") : ""}
          onHold={hold}
        />
      ))}
    </div>
  );
}

interface FlagProps {
  /** The scale, and how roles are put elsewhere, as they are by now. */
  now: RefObject<{ scale: Scale; move: ReturnType<typeof useRoleMove> }>;
  flag: Flag;
  side: "above" | "below";
  mode: Mode;
  /** The hardest ratio of its role, while it is dragged. */
  ratio: string;
  /** Told when a press begins, and with nothing when it ends. */
  onHold: (path: string | undefined) => void;
}

/** One flag: dragged to another step it takes its first role along; pressed it lists its roles. */
const FlagMark = memo(function FlagMark({ now, flag, side, mode, ratio, onHold }: FlagProps) {
  const [open, setOpen] = useState(false);
  const [shift, setShift] = useState(0);
  const drag = useRef<{ x: number; moved: boolean }>(undefined);
  const button = useRef<HTMLButtonElement>(null);
  const close = () => setOpen(false);
  const role = flag.roles[0] ?? "";
  const edge = side === "above" ? "bottom" : "top";

  const nearest = (event: PointerEvent<HTMLElement>) => {
    const line = event.currentTarget.closest(`.${classes.track}`)?.getBoundingClientRect();
    if (!line) return undefined;
    const lightness = 100 - ((event.clientX - line.left) / line.width) * 100;
    return now.current.scale.steps.reduce((a, b) =>
      Math.abs(b.lightness - lightness) < Math.abs(a.lightness - lightness) ? b : a,
    );
  };
  const handlers = {
    onPointerDown: (event: PointerEvent<HTMLElement>) => {
      event.currentTarget.setPointerCapture(event.pointerId);
      drag.current = { x: event.clientX, moved: false };
      onHold(flag.path);
    },
    onPointerMove: (event: PointerEvent<HTMLElement>) => {
      if (!drag.current) return;
      const distance = event.clientX - drag.current.x;
      if (!drag.current.moved && Math.abs(distance) < CLICK) return;
      drag.current.moved = true;
      setShift(distance);
      const step = nearest(event);
      if (step) now.current.move.show(role, step.path);
    },
    onPointerCancel: () => {
      drag.current = undefined;
      setShift(0);
      onHold(undefined);
      now.current.move.drop();
    },
    onPointerUp: (event: PointerEvent<HTMLElement>) => {
      const moved = drag.current?.moved;
      drag.current = undefined;
      setShift(0);
      onHold(undefined);
      if (!moved) return setOpen(true);
      const step = nearest(event);
      if (step) now.current.move.save(role, step.path);
    },
  };
  return (
    <div>
      <span className={classes.flagLine} style={{ [edge]: 0, left: flag.x, height: flag.lane * LANE + 6 }} />
      <button
        ref={button}
        type="button"
        className={classes.flag}
        style={{ [edge]: flag.lane * LANE + 4, left: flag.left + shift }}
        data-moving={shift !== 0 || undefined}
        title={flag.roles.join("\n")}
        onClick={(e) => e.detail === 0 && setOpen(true)}
        {...opens(open)}
        {...handlers}
      >
        {flag.roles[0]}
        {flag.roles.length > 1 && <i>and {flag.roles.length - 1} ▾</i>}
        {shift !== 0 && <b> {ratio}</b>}
      </button>
      {open && (
        <Panel at={button.current} label={`Roles at ${flag.path}`} width={330} onClose={close}>
          <RolePlaces
            scale={now.current.scale}
            roles={flag.roles}
            mode={mode}
            step={flag.path}
            onDone={close}
          />
        </Panel>
      )}
    </div>
  );
});
