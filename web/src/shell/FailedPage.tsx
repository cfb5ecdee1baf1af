import { Button, Container, Text, Title } from "@mantine/core";
import { type ErrorComponentProps, Link, useRouter } from "@tanstack/react-router";

/** An address that leads nowhere, or a server that does not answer. */
export function FailedPage({ error, reset }: ErrorComponentProps) {
  const router = useRouter();
  const again = () => {
    reset();
    void router.invalidate();
  };
  return (
    <Container size={460} pt={120} component="main">
      <Title order={1} fz={22} mb={4}>
        This cannot be shown
      </Title>
      <Text mb="lg">{error instanceof Error ? error.message : String(error)}</Text>
      <Button onClick={again} mr="sm">
        Try again
      </Button>
      <Button component={Link} to="/" variant="default">
        All themes
      </Button>
    </Container>
  );
}
