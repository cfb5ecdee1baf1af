import { createTheme, mergeThemeOverrides } from "@mantine/core";
import { theme } from "./theme.mantine";

/** What lies over the frame. The page behind does not scroll: it needs no lock, which has all styles reckoned anew. */
const over = { transitionProps: { duration: 0 }, lockScroll: false };

/**
 * Rhodon's own look. Colours, faces and shape are exported by Rhodon from `chrome.rhodon.json`;
 * here stands only how components behave.
 */
export const chromeTheme = mergeThemeOverrides(
  theme,
  createTheme({
    cursorType: "pointer",
    components: {
      Tooltip: { defaultProps: { openDelay: 350, transitionProps: { duration: 0 }, fz: "xs" } },
      Modal: { defaultProps: { ...over, closeButtonProps: { "aria-label": "Close" } } },
      Drawer: { defaultProps: { ...over, closeButtonProps: { "aria-label": "Close" } } },
      Menu: { defaultProps: { transitionProps: { duration: 0 }, shadow: "none", offset: 2 } },
      Notification: { defaultProps: { closeButtonProps: { "aria-label": "Dismiss" }, color: "ink" } },
    },
  }),
);

export { variables as chromeVariables } from "./theme.mantine";
