import { useEditor } from "../../editor/EditorProvider";
import { setScale } from "../../editor/edits";
import { counted } from "../../ui/counted";
import classes from "./Stave.module.css";

interface Props {
  scale: { slug: string; name: string };
  /** How many of its steps exports leave out. */
  left: number;
}

/** Leaves out of exports what nothing refers to, and takes it back. */
export function UnusedSteps({ scale, left }: Props) {
  const editor = useEditor();
  const { slug, name } = scale;
  return (
    <p className={classes.unused}>
      <button
        type="button"
        title="Steps that no role, no token of your own and no form refers to; pins stay"
        onClick={() =>
          void editor.change({ do: "leave-out-unused", scale: slug }, `${name}: unused steps left out`)
        }
      >
        leave out unused steps
      </button>
      {left > 0 && (
        <button
          type="button"
          onClick={() =>
            void editor.commit((d) => setScale(d, slug, { omit: [] }), `${name}: every step back in exports`)
          }
        >
          take {counted(left, "step")} back
        </button>
      )}
    </p>
  );
}
