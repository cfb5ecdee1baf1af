import { useWindowEvent } from "@mantine/hooks";
import { useState } from "react";
import { isPicture, type PictureView } from "../api/picture";
import { later } from "../ui/later";
import type { DroppedFilesProps } from "./DroppedFiles";
import type { DropZoneProps } from "./DropZone";

const DropZone = later<DropZoneProps>(() => import("./DropZone").then((m) => m.DropZone));
const DroppedFiles = later<DroppedFilesProps>(() => import("./DroppedFiles").then((m) => m.DroppedFiles));

/** Holds the colours of a picture beside the theme at hand. */
export interface Hold {
  theme: string;
  take: (name: string, picture: PictureView) => void;
}

interface Props {
  /** Given where a theme is at hand. */
  hold?: Hold;
  /** Takes files that the place at hand reads, and says so. */
  look?: (files: File[]) => boolean;
}

const carriesFiles = (event: DragEvent) => event.dataTransfer?.types.includes("Files") ?? false;

/**
 * Files dropped anywhere on the window, and pictures pasted anywhere: a theme is read from them, or
 * their colours are held. What takes them is fetched when files first hover over the window.
 */
export function FileDrop({ hold, look }: Props) {
  const [hovered, setHovered] = useState(false);
  const [files, setFiles] = useState<File[]>();
  const take = (brought: File[]) => {
    if (!look?.(brought)) setFiles(brought);
  };
  useWindowEvent("dragenter", (event) => carriesFiles(event) && setHovered(true));
  useWindowEvent("dragover", (event) => carriesFiles(event) && event.preventDefault());
  // What is let go before the zone is there, or beside it, is taken here: the browser would open it instead.
  useWindowEvent("drop", (event) => {
    if (event.defaultPrevented || !carriesFiles(event)) return;
    event.preventDefault();
    take([...(event.dataTransfer?.files ?? [])]);
  });
  useWindowEvent("paste", (event) => {
    const pasted = [...(event.clipboardData?.files ?? [])].filter(isPicture);
    if (pasted.length === 0) return;
    event.preventDefault();
    take(pasted);
  });
  return (
    <>
      {hovered && <DropZone active={files === undefined} onDrop={take} />}
      {files && <DroppedFiles files={files} hold={hold} onClose={() => setFiles(undefined)} />}
    </>
  );
}
