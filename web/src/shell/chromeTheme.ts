import { type CSSVariablesResolver, createTheme, type MantineColorsTuple } from "@mantine/core";

/** Rhodon's own colours: ink, paper and one rose. Everything saturated belongs to the theme at hand. */
const ink: MantineColorsTuple = [
  "#f6f6f6",
  "#e9e9e9",
  "#d6d6d6",
  "#bdbdbd",
  "#9a9a9a",
  "#767676",
  "#5c5c5c",
  "#444444",
  "#2b2b2b",
  "#171717",
];
const rose: MantineColorsTuple = [
  "#fdf0f5",
  "#f8dbe7",
  "#efb4cc",
  "#e68bb0",
  "#dc6595",
  "#cf4580",
  "#b0245c",
  "#8f1d4b",
  "#6b1739",
  "#481027",
];

export const chromeTheme = createTheme({
  colors: { ink, rose },
  primaryColor: "ink",
  primaryShade: { light: 9, dark: 1 },
  autoContrast: true,
  defaultRadius: 3,
  fontFamily: '"Instrument Sans Variable", system-ui, sans-serif',
  fontFamilyMonospace: '"Spline Sans Mono Variable", ui-monospace, monospace',
  fontSizes: { xs: "0.6875rem", sm: "0.8125rem", md: "0.875rem", lg: "1rem", xl: "1.25rem" },
  headings: { fontWeight: "600" },
  cursorType: "pointer",
  components: {
    Tooltip: { defaultProps: { openDelay: 350, transitionProps: { duration: 0 }, fz: "xs" } },
    Modal: {
      defaultProps: { transitionProps: { duration: 0 }, closeButtonProps: { "aria-label": "Close" } },
    },
    Menu: { defaultProps: { transitionProps: { duration: 0 }, shadow: "none", offset: 2 } },
    Notification: { defaultProps: { closeButtonProps: { "aria-label": "Dismiss" }, color: "ink" } },
  },
});

export const chromeVariables: CSSVariablesResolver = () => ({
  variables: {},
  light: {
    "--mantine-color-body": "#fafafa",
    "--mantine-color-text": "#171717",
    "--mantine-color-dimmed": "#5c5c5c",
    "--mantine-color-default-border": "#d6d6d6",
    "--mantine-color-error": "#a3123f",
  },
  dark: {
    "--mantine-color-body": "#171717",
    "--mantine-color-text": "#ededed",
    "--mantine-color-dimmed": "#a8a8a8",
    "--mantine-color-default-border": "#3a3a3a",
    "--mantine-color-error": "#f08aa9",
  },
});
