import "@mantine/core/styles.css";
import "@fontsource-variable/instrument-sans/index.css";
import "@fontsource-variable/spline-sans-mono/index.css";
import "./shell/chrome.css";

import { MantineProvider } from "@mantine/core";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { RouterProvider } from "@tanstack/react-router";
import { setNonce } from "get-nonce";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { ApiProblem } from "./api/client";
import { makeRouter } from "./router";
import { chromeTheme, chromeVariables } from "./shell/chromeTheme";
import { Notices } from "./ui/Notices";

const client = new QueryClient({
  defaultOptions: {
    queries: {
      refetchOnWindowFocus: false,
      retry: (count, error) => count < 3 && error instanceof ApiProblem && error.is("unreachable"),
    },
  },
});

const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content ?? "";
// Scroll locks of dialogs add a style element of their own.
setNonce(nonce);

const root = document.getElementById("root");

if (root) {
  createRoot(root).render(
    <StrictMode>
      <MantineProvider
        theme={chromeTheme}
        cssVariablesResolver={chromeVariables}
        defaultColorScheme="auto"
        getStyleNonce={() => nonce}
      >
        <QueryClientProvider client={client}>
          <Notices />
          <RouterProvider router={makeRouter(client)} />
        </QueryClientProvider>
      </MantineProvider>
    </StrictMode>,
  );
}
