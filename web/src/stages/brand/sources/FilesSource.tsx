import { NumberInput } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Change } from "../../../api/client";
import { familyOf, type Inventory, type SourceFile, type Used } from "../../../api/inventory";
import { vocabularyQuery } from "../../../api/queries";
import { useEditor, useEditorState } from "../../../editor/EditorProvider";
import { themeOf } from "../../../editor/selectors";
import { ChooseFiles } from "../../../ui/ChooseFiles";
import { counted } from "../../../ui/counted";
import { useDropped } from "../../../ui/dropped";
import { Reading } from "../../../ui/Reading";
import { offer } from "../tray";
import classes from "./FilesSource.module.css";
import { Places } from "./Places";
import source from "./Source.module.css";
import { TypeInUse } from "./TypeInUse";
import { useInventory } from "./useInventory";
import { Wall } from "./Wall";

/** What a project uses: every colour of its files, sized by use, families together; faces and corners. */
export default function FilesSource() {
  const editor = useEditor();
  const { id } = useEditorState(themeOf);
  const { files, passed, near, setNear, found, reading, refusal, read } = useInventory();
  const [open, setOpen] = useState<string>();
  const { data } = useQuery(vocabularyQuery);
  // What kinds of files there are is known first.
  useDropped((dropped) => void read(dropped), data !== undefined);
  const hold = (ones: Used[]) =>
    offer(
      id,
      ones.map((used) => {
        const [place] = used.places;
        return {
          name: used.name,
          color: used.hex,
          ...(place && {
            from: { kind: "file" as const, name: place.file, line: place.line, column: place.column },
          }),
        };
      }),
    );
  const shown = found?.colors.find((used) => used.hex === open);
  return (
    <section className={source.source} aria-label="Files">
      <div className={source.bar}>
        <ChooseFiles folder="Folder" onFiles={(chosen) => void read(chosen)} />
        {reading ? (
          <Reading words={`${reading.done} of ${counted(reading.all, "file")}`} onStop={reading.stop} />
        ) : (
          <Summary files={files} passed={passed} found={found} />
        )}
        {found && (
          <div className={classes.near}>
            <span aria-hidden="true">nearly the same up to</span>
            <NumberInput
              w={74}
              size="xs"
              aria-label="Nearly the same up to, CIEDE2000"
              title="Up to which difference (CIEDE2000) colours are nearly the same"
              min={0}
              max={20}
              step={0.1}
              decimalScale={1}
              value={near}
              onChange={(n) => typeof n === "number" && setNear(n)}
            />
          </div>
        )}
      </div>
      {refusal && (
        <p role="alert" className={source.refusal}>
          {refusal}
        </p>
      )}
      {found && found.scales.length > 0 && <Scales scales={found.scales} onHold={hold} found={found} />}
      {found && <Wall colors={found.colors} open={open} onOpen={setOpen} />}
      {shown && (
        <Places
          used={shown}
          files={files}
          onName={(name) =>
            editor.change(
              { do: "add-tokens", tokens: [{ name, color: shown.hex }] },
              `own token: ${name} ${shown.hex}`,
              { atField: true },
            )
          }
          onHold={() => hold([shown])}
          onHoldFamily={() => hold(familyOf(shown, found?.colors ?? []).slice(0, 1))}
        />
      )}
      {found && <TypeInUse inUse={found.type} />}
    </section>
  );
}

interface SummaryProps {
  files: SourceFile[];
  passed: number;
  found: Inventory | undefined;
}

function Summary({ files, passed, found }: SummaryProps) {
  if (!found) return <span>style sheets, scripts, markup, JSON, resources, palettes: nothing is run</span>;
  const families = found.colors.filter((used) => used.near.length > 0).length;
  return (
    <span>
      {counted(found.colors.length + found.more, "colour")} in {counted(files.length, "file")}
      {families > 0 && ` · ${families} nearly the same as another`}
      {passed > 0 && ` · ${counted(passed, "file")} passed over`}
    </span>
  );
}

/** A scale as a brand colour with its steps as they are, and what that is called. */
function takeOver({ name, base, steps }: Inventory["scales"][number]): [Change, string] {
  const exact = steps.map(({ number, hex }) => ({ label: String(number), hex }));
  const colors = [{ name, color: base, steps: exact }];
  return [{ do: "add-brand", colors }, `${name} added with ${counted(steps.length, "step")}`];
}

interface ScalesProps {
  scales: Inventory["scales"];
  found: Inventory;
  onHold: (ones: Used[]) => void;
}

/** Scales that were recognised by their names, each with the colour that it is known by. */
function Scales({ scales, found, onHold }: ScalesProps) {
  const editor = useEditor();
  return (
    <ul className={classes.scales} aria-label="Scales that were recognised">
      {scales.map((scale) => {
        const base = found.colors.find((used) => used.hex === scale.base);
        return (
          <li key={scale.name}>
            <span className={classes.steps}>
              {scale.steps.map((step) => (
                <i key={step.number} title={`${step.number} ${step.hex}`} style={{ background: step.hex }} />
              ))}
            </span>
            {scale.name}, {counted(scale.steps.length, "step")}
            {base && (
              <button type="button" onClick={() => onHold([{ ...base, name: scale.name }])}>
                hold {scale.base}
              </button>
            )}
            {base && (
              <button
                type="button"
                title="Adds the colour, with every step of its scale pinned as it is"
                onClick={() => void editor.change(...takeOver(scale))}
              >
                add with its steps
              </button>
            )}
          </li>
        );
      })}
    </ul>
  );
}
