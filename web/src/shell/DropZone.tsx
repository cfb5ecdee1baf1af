import "@mantine/dropzone/styles.css";
import { Stack, Text } from "@mantine/core";
import { Dropzone } from "@mantine/dropzone";
import { useEffect } from "react";

export interface DropZoneProps {
  active: boolean;
  onDrop: (files: File[]) => void;
}

/** The whole window as a place to drop files on, which says so while they hover. It comes when they do. */
export function DropZone({ active, onDrop }: DropZoneProps) {
  useEffect(tellOfHovering, []);
  return (
    <section aria-label="Files to drop">
      <Dropzone.FullScreen onDrop={onDrop} active={active} activateOnKeyboard={false} withinPortal={false}>
        <Dropzone.Accept>
          <Stack align="center" justify="center" mih="60vh">
            <Text fw={600}>Drop a picture or a project for its colours, or the files of a theme</Text>
          </Stack>
        </Dropzone.Accept>
      </Dropzone.FullScreen>
    </section>
  );
}

/** The files came in before anybody listened: the zone is told once more. */
function tellOfHovering() {
  const dataTransfer = new DataTransfer();
  dataTransfer.items.add(new File([], "hovering"));
  document.dispatchEvent(new DragEvent("dragenter", { dataTransfer }));
}
