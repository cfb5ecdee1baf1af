import "@mantine/dropzone/styles.css";
import { Modal, Stack, Text } from "@mantine/core";
import { Dropzone } from "@mantine/dropzone";
import { useState } from "react";
import { FromFiles } from "./FromFiles";
import { useMakeTheme } from "./useMakeTheme";

/** Files dropped anywhere on the window are read into a theme; the window says so while they hover. */
export function FileDrop() {
  const [files, setFiles] = useState<File[]>();
  const make = useMakeTheme();
  const close = () => setFiles(undefined);
  return (
    <>
      <section aria-label="Files to drop">
        <Dropzone.FullScreen
          onDrop={setFiles}
          active={files === undefined}
          activateOnKeyboard={false}
          withinPortal={false}
        >
          <Dropzone.Accept>
            <Stack align="center" justify="center" mih="60vh">
              <Text fw={600}>Drop files to read a theme from them</Text>
            </Stack>
          </Dropzone.Accept>
        </Dropzone.FullScreen>
      </section>
      <Modal opened={files !== undefined} onClose={close} title="New theme from files">
        <FromFiles
          dropped={files}
          onSpec={async (spec) => {
            await make(spec);
            close();
          }}
        />
      </Modal>
    </>
  );
}
