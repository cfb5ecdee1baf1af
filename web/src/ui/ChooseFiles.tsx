import { Button, FileButton } from "@mantine/core";
import { useRef } from "react";

interface Props {
  /** Name of the folder's field for those who do not see it. */
  folder: string;
  /** What the button for files says. */
  words?: string;
  onFiles: (files: File[]) => void;
}

/** Two ways to bring files: a whole folder, or some. */
export function ChooseFiles({ folder, words = "Choose files …", onFiles }: Props) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button size="compact-sm" variant="default" onClick={() => input.current?.click()}>
        Choose a folder …
      </Button>
      <input
        ref={input}
        type="file"
        hidden
        multiple
        aria-label={folder}
        {...{ webkitdirectory: "" }}
        onChange={(e) => onFiles([...(e.currentTarget.files ?? [])])}
      />
      <FileButton multiple onChange={onFiles}>
        {(props) => (
          <Button size="compact-sm" variant="default" {...props}>
            {words}
          </Button>
        )}
      </FileButton>
    </>
  );
}
