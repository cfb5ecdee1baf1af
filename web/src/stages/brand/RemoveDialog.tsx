import { Button, Group, Modal, Text } from "@mantine/core";
import type { Spec } from "../../api/client";
import { refersTo } from "../../editor/edits";

interface Props {
  name: string;
  hanging: string[];
  opened: boolean;
  onClose: () => void;
  onRemove: () => void;
}

/** Shows what hangs on a brand colour before it goes. */
export function RemoveDialog({ name, hanging, opened, onClose, onRemove }: Props) {
  return (
    <Modal opened={opened} onClose={onClose} title={`Remove ${name}?`}>
      <Text size="sm">These hang on it and go back to derived, or lose their reference:</Text>
      <ul>
        {hanging.map((what) => (
          <li key={what}>{what}</li>
        ))}
      </ul>
      <Group justify="flex-end">
        <Button variant="default" onClick={onClose}>
          Keep it
        </Button>
        <Button onClick={onRemove}>Remove {name}</Button>
      </Group>
    </Modal>
  );
}

/** Decisions of a document that refer to a brand colour. */
export function hangingOn(spec: Spec, slug: string): string[] {
  const inside = (text: string | null | undefined) => refersTo(text, slug);
  return [
    ...Object.entries(spec.intents ?? {})
      .filter(([, i]) => i.scale === slug)
      .map(([name]) => `intent ${name}`),
    ...Object.entries(spec.scales ?? {})
      .filter(([name, s]) => s.to === slug || name === slug)
      .map(([name]) => `settings of the scale ${name}`),
    ...Object.entries(spec.roles ?? {})
      .filter(([, v]) => inside(v.light) || inside(v.dark))
      .map(([path]) => `role ${path}`),
    ...Object.entries(spec.tokens ?? {})
      .filter(([, t]) => inside(t.value) || inside(t.light) || inside(t.dark))
      .map(([path]) => `token ${path}`),
  ];
}
