import "@mantine/dropzone/styles.css";
import { Modal, Stack, Text } from "@mantine/core";
import { Dropzone } from "@mantine/dropzone";
import { useWindowEvent } from "@mantine/hooks";
import { useState } from "react";
import type { ThemeDocument } from "../api/client";
import { isPicture, type PictureView } from "../api/picture";
import { FromFiles } from "./FromFiles";
import { PictureChoice } from "./PictureDialog";
import { useMakeTheme } from "./useMakeTheme";

interface Props {
  /** Holds the colours of a picture beside the theme at hand, where there is one. */
  hold?: { theme: string; take: (name: string, picture: PictureView) => void };
  /** Takes files that the place at hand reads, and says so. */
  look?: (files: File[]) => boolean;
}

/**
 * Files dropped anywhere on the window, and pictures pasted anywhere: a theme is read from them, or
 * their colours are held. The window says so while they hover.
 */
export function FileDrop({ hold, look }: Props) {
  const [files, setFiles] = useState<File[]>();
  const make = useMakeTheme();
  const close = () => setFiles(undefined);
  const take = (brought: File[]) => {
    if (!look?.(brought)) setFiles(brought);
  };
  useWindowEvent("paste", (event) => {
    const pasted = [...(event.clipboardData?.files ?? [])].filter(isPicture);
    if (pasted.length === 0) return;
    event.preventDefault();
    take(pasted);
  });
  const made = (source?: string) => async (spec: ThemeDocument) => {
    await make(spec, source);
    close();
  };
  const pictures = files?.filter(isPicture) ?? [];
  return (
    <>
      <section aria-label="Files to drop">
        <Dropzone.FullScreen
          onDrop={take}
          active={files === undefined}
          activateOnKeyboard={false}
          withinPortal={false}
        >
          <Dropzone.Accept>
            <Stack align="center" justify="center" mih="60vh">
              <Text fw={600}>Drop a picture or a project for its colours, or the files of a theme</Text>
            </Stack>
          </Dropzone.Accept>
        </Dropzone.FullScreen>
      </section>
      <Modal
        opened={files !== undefined}
        onClose={close}
        title={pictures.length > 0 ? "Colours of a picture" : "New theme from files"}
        size={pictures.length > 0 ? 620 : "md"}
      >
        {pictures.length > 0 ? (
          <PictureChoice
            files={pictures}
            onSpec={made("picture")}
            {...(hold && {
              hold: {
                ...hold,
                take: (name: string, picture: PictureView) => {
                  hold.take(name, picture);
                  close();
                },
              },
            })}
          />
        ) : (
          <FromFiles dropped={files} onSpec={made()} />
        )}
      </Modal>
    </>
  );
}
