import type { Sites } from "../../../api/sites";
import { useEditorState } from "../../../editor/EditorProvider";
import { tokensOf } from "../../../editor/selectors";
import { Told } from "../../../ui/Told";
import { TypedField } from "../../../ui/TypedField";
import classes from "./Sites.module.css";

interface Props {
  slots: Sites["slots"];
  /** Another token for a slot; an empty path gives the choice back. */
  onChoose: (slot: string, path: string) => Promise<unknown>;
}

/** What each slot of a site takes of the theme, or why nothing fits. */
export function SlotTable({ slots, onChoose }: Props) {
  const paths = (useEditorState(tokensOf) ?? []).map((t) => t.path);
  return (
    <table className={classes.slots}>
      <thead>
        <tr>
          <th scope="col">Slot</th>
          <th scope="col">Takes</th>
          <th scope="col">As</th>
        </tr>
      </thead>
      <tbody>
        {slots.map(({ slot, meaning, token, value, why }) => (
          <tr key={slot}>
            <th scope="row" title={meaning}>
              {slot}
            </th>
            <td>
              <TypedField
                label={null}
                name={`What ${slot} takes`}
                placeholder={token ?? "token"}
                value={token ?? ""}
                offers={paths}
                onText={async (path) => {
                  await onChoose(slot, path);
                  return {};
                }}
              />
            </td>
            <td className={value ? undefined : classes.alarm}>
              <Told value={value} none={why} />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
