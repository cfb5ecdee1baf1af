import { Button, NativeSelect, SegmentedControl, TextInput } from "@mantine/core";
import { IconX } from "@tabler/icons-react";
import { useEffect, useRef, useState } from "react";
import type { SetsWanted } from "../../../../api/sets";
import { useEditorState } from "../../../../editor/EditorProvider";
import { themeOf } from "../../../../editor/selectors";
import { useBrand } from "../../../../lineage/useLineage";
import { useColors } from "../../../../ui/ColorList";
import { useTray } from "../../tray";
import classes from "./Library.module.css";

interface Props {
  wanted: SetsWanted;
  onWant: (change: Partial<SetsWanted>) => void;
}

/** The most colours that nearness is asked to. */
const MOST = 12;

/** What sets are looked for by. */
export function Looking({ wanted, onWant }: Props) {
  const { id } = useEditorState(themeOf);
  const brand = useBrand();
  const tray = useTray(id);
  const [near, setNear] = useState("");
  const [typed, setTyped] = useState("");
  const items = useColors(near === "typed" ? typed : "");
  const codes = items.flatMap((item) => (item.hex ? [item.hex.slice(0, 7)] : []));
  const refused = items.find((item) => item.error)?.error;
  const key = codes.slice(0, MOST).join();
  const want = useRef(onWant);
  want.current = onWant;
  // Typed colours are looked for once they are read.
  useEffect(() => {
    if (near === "typed") want.current({ near: key === "" ? [] : key.split(",") });
  }, [near, key]);
  const nearTo = (to: string) => {
    setNear(to);
    const colors = to === "brand" ? brand : to === "tray" ? tray : [];
    onWant({ near: colors.map((c) => c.color).slice(0, MOST) });
  };
  return (
    <div className={classes.looking}>
      <SegmentedControl
        size="xs"
        aria-label="Whose sets"
        data={[
          { value: "here", label: "kept here" },
          { value: "community", label: "shared by others" },
        ]}
        value={wanted.from}
        onChange={(from) => onWant({ from: from as SetsWanted["from"], owner: "" })}
      />
      <TextInput
        size="xs"
        type="search"
        aria-label="Find a set"
        placeholder="find by word"
        value={wanted.word}
        onChange={(e) => onWant({ word: e.currentTarget.value })}
      />
      <NativeSelect
        size="xs"
        aria-label="Near to"
        data={[
          { value: "", label: "near to anything" },
          { value: "brand", label: "near to this brand" },
          { value: "tray", label: "near to the tray", disabled: tray.length === 0 },
          { value: "typed", label: "near to …" },
        ]}
        value={near}
        onChange={(e) => nearTo(e.currentTarget.value)}
      />
      {near === "typed" && (
        <TextInput
          size="xs"
          aria-label="Colours that sets are near to"
          placeholder="#0f5c7a"
          value={typed}
          error={refused}
          onChange={(e) => setTyped(e.currentTarget.value)}
        />
      )}
      {wanted.owner && (
        <button
          type="button"
          className={classes.owner}
          title="Sets of anybody"
          onClick={() => onWant({ owner: "" })}
        >
          by {wanted.owner} <IconX size={11} aria-label="anybody" />
        </button>
      )}
      <span className={classes.order}>
        <Button
          size="compact-xs"
          variant="default"
          aria-pressed={wanted.seed === undefined}
          onClick={() => onWant({ seed: undefined })}
        >
          newest
        </Button>
        <Button
          size="compact-xs"
          variant="default"
          aria-pressed={wanted.seed !== undefined}
          title="In an order at random; again for another"
          onClick={() => onWant({ seed: Math.floor(Math.random() * Number.MAX_SAFE_INTEGER) })}
        >
          at random
        </Button>
      </span>
    </div>
  );
}
