import { Button } from "@mantine/core";
import { Link, useLocation } from "@tanstack/react-router";
import classes from "./Frame.module.css";

/** An address at which there is nothing. */
export function NowherePage() {
  const { pathname } = useLocation();
  const [, themes, slug] = pathname.split("/");
  return (
    <main className={classes.failed}>
      <h1>There is nothing here</h1>
      <p>
        Nothing has the address <code>{pathname}</code>.
      </p>
      {themes === "themes" && slug && (
        <Button component={Link} to={`/themes/${slug}`} mr="sm">
          Stave of this theme
        </Button>
      )}
      <Button component={Link} to="/family" variant="default">
        All themes
      </Button>
    </main>
  );
}
