import { Modal } from "@mantine/core";
import { useEffect, useState } from "react";
import { FromFiles } from "./FromFiles";
import { useMakeTheme } from "./useMakeTheme";

/** Files dropped anywhere on the window are read into a theme. */
export function FileDrop() {
  const [files, setFiles] = useState<File[]>();
  const make = useMakeTheme();
  useEffect(() => {
    const holds = (event: DragEvent) => event.dataTransfer?.types.includes("Files") ?? false;
    const over = (event: DragEvent) => holds(event) && event.preventDefault();
    const drop = (event: DragEvent) => {
      if (!holds(event)) return;
      event.preventDefault();
      const dropped = [...(event.dataTransfer?.files ?? [])];
      if (dropped.length > 0) setFiles(dropped);
    };
    window.addEventListener("dragover", over);
    window.addEventListener("drop", drop);
    return () => {
      window.removeEventListener("dragover", over);
      window.removeEventListener("drop", drop);
    };
  }, []);
  const close = () => setFiles(undefined);
  return (
    <Modal opened={files !== undefined} onClose={close} title="New theme from files">
      <FromFiles
        dropped={files}
        onSpec={async (spec) => {
          await make(spec);
          close();
        }}
      />
    </Modal>
  );
}
