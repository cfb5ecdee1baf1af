import { TextInput } from "@mantine/core";
import { PictureColors } from "../shell/PictureColors";
import classes from "./Family.module.css";
import type { ChildDraft } from "./useChildDrafts";

interface Props {
  draft: ChildDraft;
  onChange: (to: Partial<ChildDraft>) => void;
  onRemove: () => void;
}

/** One child to be: its logo, its name, and which colours it takes from it. */
export function ChildOfLogo({ draft, onChange, onRemove }: Props) {
  return (
    <li className={classes.draft}>
      <img src={`/api/pictures/${draft.picture.id}`} alt={draft.file} />
      <div>
        <div className={classes.draftName}>
          <TextInput
            size="xs"
            aria-label={`Name of the child with ${draft.file}`}
            value={draft.name}
            maxLength={200}
            error={draft.refusal}
            onChange={(e) => onChange({ name: e.currentTarget.value })}
          />
          <button type="button" aria-label={`Leave out ${draft.file}`} onClick={onRemove}>
            ×
          </button>
        </div>
        <PictureColors
          label={`Colours of ${draft.file}`}
          colors={draft.picture.colors}
          taken={draft.taken}
          onTake={(taken) => onChange({ taken })}
        />
      </div>
    </li>
  );
}
