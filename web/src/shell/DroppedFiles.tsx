import { Modal } from "@mantine/core";
import type { ThemeDocument } from "../api/client";
import { isPicture, type PictureView } from "../api/picture";
import type { Hold } from "./FileDrop";
import { FromFiles } from "./FromFiles";
import { PictureChoice } from "./PictureDialog";
import { useMakeTheme } from "./useMakeTheme";

export interface DroppedFilesProps {
  files: File[];
  hold: Hold | undefined;
  onClose: () => void;
}

/** What becomes of files that were dropped or pasted. */
export function DroppedFiles({ files, hold, onClose }: DroppedFilesProps) {
  const make = useMakeTheme();
  const made = (source?: string) => async (spec: ThemeDocument) => {
    await make(spec, source);
    onClose();
  };
  const pictures = files.filter(isPicture);
  const held = hold && {
    ...hold,
    take: (name: string, picture: PictureView) => {
      hold.take(name, picture);
      onClose();
    },
  };
  return (
    <Modal
      opened
      onClose={onClose}
      title={pictures.length > 0 ? "Colours of a picture" : "New theme from files"}
      size={pictures.length > 0 ? 620 : "md"}
    >
      {pictures.length > 0 ? (
        <PictureChoice files={pictures} onSpec={made("picture")} {...(held && { hold: held })} />
      ) : (
        <FromFiles dropped={files} onSpec={made()} />
      )}
    </Modal>
  );
}
