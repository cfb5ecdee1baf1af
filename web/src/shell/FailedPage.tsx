import { Button } from "@mantine/core";
import { type ErrorComponentProps, Link, useRouter } from "@tanstack/react-router";
import classes from "./Frame.module.css";

/** An address that leads nowhere, or a server that does not answer. */
export function FailedPage({ error, reset }: ErrorComponentProps) {
  const router = useRouter();
  const again = () => {
    reset();
    void router.invalidate();
  };
  return (
    <main className={classes.failed}>
      <h1>This cannot be shown</h1>
      <p>{error instanceof Error ? error.message : String(error)}</p>
      <Button onClick={again} mr="sm">
        Try again
      </Button>
      <Button component={Link} to="/" variant="default">
        All themes
      </Button>
    </main>
  );
}
