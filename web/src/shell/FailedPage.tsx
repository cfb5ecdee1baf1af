import { Button } from "@mantine/core";
import { type ErrorComponentProps, Link, useRouter } from "@tanstack/react-router";
import { problemOf } from "../api/client";
import classes from "./Frame.module.css";

/** An address that leads nowhere, or a server that does not answer. */
export function FailedPage({ error, reset }: ErrorComponentProps) {
  const router = useRouter();
  const again = () => {
    reset();
    void router.invalidate();
  };
  const { status, detail } = problemOf(error);
  const isNowhere = status === 404;
  return (
    <main className={classes.failed}>
      <h1>{isNowhere ? "There is no such theme" : "This cannot be shown"}</h1>
      <p>
        {isNowhere
          ? "It may have another name by now, or have been deleted: the page of all themes shows what is there and brings back what was deleted."
          : detail}
      </p>
      <Button onClick={again} mr="sm">
        Try again
      </Button>
      <Button component={Link} to="/family" variant="default">
        All themes
      </Button>
    </main>
  );
}
