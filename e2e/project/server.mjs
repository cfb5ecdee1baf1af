// A small project's dev server: its page, the style sheet from the folder, and news of its changes.
import { readFileSync, watch } from "node:fs";
import { createServer } from "node:http";

/** Serves a folder's `theme.css` to the page; gives its address and the way to stop it. */
export async function serveProject(folder) {
  const page = readFileSync(new URL("./index.html", import.meta.url));
  const listeners = new Set();
  const watcher = watch(folder, (_, name) => {
    if (name === "theme.css") for (const response of listeners) response.write("data: changed\n\n");
  });
  const server = createServer((request, response) => {
    if (request.url === "/changes") {
      response.writeHead(200, { "content-type": "text/event-stream" });
      listeners.add(response);
      return;
    }
    const isSheet = request.url?.startsWith("/theme.css");
    response.writeHead(200, { "content-type": isSheet ? "text/css" : "text/html" });
    response.end(isSheet ? readFileSync(`${folder}/theme.css`) : page);
  });
  await new Promise((resolve) => server.listen(0, "127.0.0.1", resolve));
  return {
    address: `http://127.0.0.1:${server.address().port}`,
    stop: () => {
      watcher.close();
      server.closeAllConnections();
      server.close();
    },
  };
}
