import { Container, Text, Title } from "@mantine/core";
import { FileDrop } from "./FileDrop";
import { NewThemeForm } from "./NewThemeDialog";

/** No theme yet: the work starts here. */
export function EmptyPage() {
  return (
    <Container size={420} pt={120} component="main">
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
