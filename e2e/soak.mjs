// Mixed use for a while, with the server killed and started on the way:
//
//   node soak.mjs BINARY DATABASE [--seconds 1800] [--clients 20] [--kills 6]
//
// Each client has a theme of its own, which it edits, exports, packs and reads; windows listen for
// changes. Prints one JSON object: times by kind of request in ms, errors that no kill explains,
// edits that were acknowledged and are gone, and the memory of the server over time in MB.
import { spawn } from "node:child_process";
import { once } from "node:events";
import { readFileSync } from "node:fs";
import { createServer } from "node:net";
import { parseArgs } from "node:util";

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    seconds: { type: "string", default: "1800" },
    clients: { type: "string", default: "20" },
    kills: { type: "string", default: "6" },
  },
});
const [binary, database] = positionals;
const [seconds, clients, kills] = [values.seconds, values.clients, values.kills].map(Number);
const end = Date.now() + seconds * 1000;
const sleep = (ms) => new Promise((done) => setTimeout(done, ms));
/** Whole numbers that look drawn and are the same in every run. */
let seed = 7;
const drawn = (most) => {
  seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0;
  return (seed >>> 8) % most;
};

async function freePort() {
  const server = createServer().listen(0, "127.0.0.1");
  await once(server, "listening");
  const { port } = server.address();
  server.close();
  return port;
}

const port = await freePort();
const address = `http://127.0.0.1:${port}`;
let server;
/** Whether the server is up: what fails while it is not, or was not when it was asked, is the kill's. */
let lives = 0;
async function start() {
  const args = ["serve", "--demo", "--listen", `127.0.0.1:${port}`, "--database", database];
  server = spawn(binary, args, { stdio: ["ignore", "pipe", "inherit"] });
  await once(server.stdout, "data");
  lives++;
}
let down = false;
async function kill() {
  down = true;
  const gone = once(server, "exit");
  server.kill("SIGKILL");
  await gone;
  await start();
  down = false;
}

const times = new Map();
const errors = [];
let excused = 0;
/** One request, timed under its kind; nothing where a kill came in between. */
async function ask(kind, path, options = {}) {
  const life = lives;
  const begun = performance.now();
  try {
    const response = await fetch(address + path, options);
    const body = await response.arrayBuffer();
    const all = times.get(kind) ?? [];
    times.set(kind, all);
    all.push(performance.now() - begun);
    if (!response.ok && response.status !== 409 && response.status !== 412) {
      errors.push(`${kind}: ${response.status} ${Buffer.from(body).toString().slice(0, 200)}`);
    }
    return { status: response.status, body: Buffer.from(body) };
  } catch (cause) {
    if (down || lives !== life) excused++;
    else errors.push(`${kind}: ${cause.cause?.code ?? cause.message}`);
    await sleep(50);
    return undefined;
  }
}
const json = (method, value, headers = {}) => ({
  method,
  headers: { "content-type": "application/json", ...headers },
  body: JSON.stringify(value),
});
const parsed = (answer) => (answer?.status < 300 ? JSON.parse(answer.body) : undefined);

const color = () => `#${drawn(0xffffff).toString(16).padStart(6, "0")}`;
const acknowledged = new Map();

async function client(number) {
  const spec = { format: 1, name: `Soak ${number}`, brand: [{ name: "P", slug: "p", color: color() }] };
  let made;
  while (!made) made = parsed(await ask("create", "/api/themes", json("POST", { spec })));
  const { slug } = made;
  let { revision } = made;
  /** Labels by number of revision. */
  const labels = new Map();
  acknowledged.set(slug, labels);
  const acts = {
    async edit() {
      spec.brand[0].color = color();
      const label = `edit ${labels.size} of ${number}`;
      const match = { "if-match": `"${revision}"` };
      const answer = await ask("edit", `/api/themes/${slug}`, json("PUT", { spec, label }, match));
      const saved = parsed(answer);
      if (saved) {
        ({ revision } = saved);
        labels.set(revision, label);
        return;
      }
      // It may have been written without being acknowledged.
      const now = parsed(await ask("read", `/api/themes/${slug}`));
      if (now) ({ revision } = now);
    },
    preview: () =>
      ask("preview", "/api/preview", json("POST", { spec: { ...spec, name: `Draft ${drawn(50)}` } })),
    read: () => ask("read", `/api/themes/${slug}`),
    list: () => ask("list", "/api/themes"),
    revisions: () => ask("revisions", `/api/themes/${slug}/revisions`),
    export: () =>
      ask("export", "/api/export", json("POST", { spec, target: ["css", "sass", "apple"][drawn(3)] })),
    archive: () => ask("archive", "/api/archive", json("POST", { spec, targets: ["css", "tokens"] })),
    check: () => ask("check", "/api/check", json("POST", { spec })),
    picture: () =>
      ask("picture", "/api/pictures", {
        method: "POST",
        headers: { "content-type": "application/octet-stream" },
        body: `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 8 8"><rect width="8" height="8" fill="${color()}"/></svg>`,
      }),
  };
  const often = [
    "edit",
    "edit",
    "preview",
    "preview",
    "preview",
    "read",
    "read",
    "read",
    "list",
    "revisions",
  ];
  const all = [...often, "export", "archive", "check", "picture"];
  while (Date.now() < end) {
    await acts[all[drawn(all.length)]]();
    await sleep(20 + drawn(180));
  }
}

/** A window that listens for changes, and comes back when it is cut off. */
async function window() {
  while (Date.now() < end) {
    try {
      const response = await fetch(`${address}/api/events`, {
        signal: AbortSignal.timeout(5000 + drawn(5000)),
      });
      for await (const _ of response.body) if (Date.now() > end) return;
    } catch {
      await sleep(100);
    }
  }
}

const memory = [];
async function watch() {
  while (Date.now() < end) {
    try {
      const kb = /VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${server.pid}/status`, "utf8"));
      memory.push({ life: lives, mb: Math.round(Number(kb?.[1]) / 1024) });
    } catch {
      // It is being started.
    }
    await sleep(Math.min(10_000, seconds * 50));
  }
}

async function killer() {
  for (let i = 0; i < kills; i++) {
    await sleep((seconds * 1000) / (kills + 1));
    await kill();
  }
}

await start();
await Promise.all([
  ...Array.from({ length: clients }, (_, i) => client(i)),
  ...Array.from({ length: clients }, () => window()),
  watch(),
  killer(),
]);

let lost = 0;
let edits = 0;
for (const [slug, labels] of acknowledged) {
  for (const [number, label] of labels) {
    edits++;
    // All of the last ones, and some of those before.
    if (labels.size - number > 60 && number % 10 > 0) continue;
    const there = parsed(await ask("last", `/api/themes/${slug}/revisions/${number}`));
    if (there?.label !== label) lost++;
  }
}
server.kill("SIGTERM");
await once(server, "exit");

const at = (all, share) =>
  Math.round(all[Math.min(all.length - 1, Math.floor(all.length * share))] * 10) / 10;
const report = Object.fromEntries(
  [...times].map(([kind, all]) => {
    all.sort((a, b) => a - b);
    return [kind, { count: all.length, p50: at(all, 0.5), p99: at(all, 0.99), most: at(all, 1) }];
  }),
);
console.log(
  JSON.stringify({
    report,
    errors: errors.slice(0, 20),
    failed: errors.length,
    excused,
    edits,
    lost,
    memory,
  }),
);
