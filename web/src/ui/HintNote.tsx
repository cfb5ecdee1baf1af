import { Tooltip } from "@mantine/core";

interface Props {
  id: string;
  at: HTMLElement;
  help: string;
}

/** The meaning of a word, beside it. */
export function HintNote({ id, at, help }: Props) {
  return <Tooltip id={id} target={at} label={help} opened multiline w={260} withArrow />;
}
