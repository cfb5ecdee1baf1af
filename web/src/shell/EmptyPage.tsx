import { Container, Text, Title } from "@mantine/core";
import { useEffect, useRef } from "react";
import { FileDrop } from "./FileDrop";
import { NewThemeForm } from "./NewThemeDialog";

/** No theme yet: the work starts here. */
export function EmptyPage() {
  const page = useRef<HTMLDivElement>(null);
  // Who comes here has nothing else to do: the first keys are the name's.
  useEffect(() => page.current?.querySelector<HTMLElement>("[data-autofocus]")?.focus(), []);
  return (
    <Container size={420} pt={120} component="main" ref={page}>
      <Title order={1} fz={22} mb={4}>
        Start with a brand colour
      </Title>
      <Text c="dimmed" mb="lg">
        Rhodon makes its scale, the roles of a light and a dark theme, and the files for your build.
      </Text>
      <NewThemeForm onDone={() => undefined} />
      <FileDrop />
    </Container>
  );
}
