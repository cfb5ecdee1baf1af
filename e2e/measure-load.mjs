// Hostile input against a running server, two requests at once, while health and a theme are read:
// node measure-load.mjs ADDRESS PID [MUTATIONS]
// Then half-sent heads, unread answers and SIGTERM: the server is gone afterwards.
import { readFileSync } from "node:fs";
import { connect } from "node:net";
import { isMainThread, parentPort, Worker, workerData } from "node:worker_threads";

/** Health and a theme are read from a thread of their own: this one is busy making bodies. */
if (!isMainThread) {
  const { address, slug } = workerData;
  const slowest = { health: 0, theme: 0 };
  parentPort.once("message", () => parentPort.postMessage(slowest));
  const watch = async (name, path) => {
    for (;;) {
      const at = performance.now();
      await (await fetch(address + path)).arrayBuffer();
      slowest[name] = Math.max(slowest[name], performance.now() - at);
      await new Promise((done) => setTimeout(done, 20));
    }
  };
  await Promise.all([watch("health", "/api/health"), watch("theme", `/api/themes/${slug}`)]);
}

const [address, pid, mutations = "1000"] = process.argv.slice(2);
const demo = JSON.parse(readFileSync(new URL("../demo/brindle-sound-ferries.rhodon.json", import.meta.url)));
const slug = (await (await fetch(`${address}/api/themes`)).json())[0].slug;
const memory = () => Number(readFileSync(`/proc/${pid}/status`, "utf8").match(/VmRSS:\s+(\d+)/)[1]) / 1024;
const pause = (ms) => new Promise((done) => setTimeout(done, ms));

/** Groups that extend each other, each twice the one before. */
function doubling(levels) {
  const file = { g0: { a: { $type: "color", $value: "#0f5c7a" } } };
  for (let i = 1; i <= levels; i++)
    file[`g${i}`] = { x: { $extends: `{g${i - 1}}` }, y: { $extends: `{g${i - 1}}` } };
  return file;
}

/** Own tokens that refer to each other in one long chain. */
function chain(length) {
  const tokens = { "t.t0": { value: "#0f5c7a" } };
  for (let i = 1; i < length; i++) tokens[`t.t${i}`] = { value: `{t.t${i - 1}}` };
  return { ...demo, tokens };
}

const asFiles = (value) => ({ files: [{ name: "a.tokens.json", text: JSON.stringify(value) }] });
const unknown = Object.fromEntries(Array.from({ length: 90_000 }, (_, i) => [`unknown-key-${i}`, 1]));
const attacks = [
  ["groups that double, 40 deep", "read", () => asFiles(doubling(40))],
  ["a circle of groups", "read", () => asFiles({ a: { $extends: "{b}" }, b: { $extends: "{a}" } })],
  ["5,000 tokens in a chain", "derive", () => ({ spec: chain(5000) })],
  ["20,000 tokens in a chain", "derive", () => ({ spec: chain(20_000) })],
  ["2 MB of unknown keys", "derive", () => ({ spec: { ...demo, ...unknown } })],
  ["40,000 bad colours", "colors", () => ({ text: Array(40_000).fill("no colour").join("\n") })],
];

/** A small linear generator: the same mutations in every run. */
let state = 42;
const random = (n) => {
  state = (state * 1_103_515_245 + 12_345) % 2 ** 31;
  return state % n;
};
const WITH = [null, -1, 1e308, "", "{t.t1}", [], {}, "color(srgb 1e99 0 0)", true];
function mutated(value) {
  const copy = structuredClone(value);
  for (let blows = 1 + random(3); blows > 0; blows--) {
    let at = copy;
    for (let depth = 0; depth < 6; depth++) {
      const keys = Object.keys(at);
      if (keys.length === 0) break;
      const key = keys[random(keys.length)];
      if (random(3) > 0 && at[key] && typeof at[key] === "object") at = at[key];
      else {
        at[key] = WITH[random(WITH.length)];
        break;
      }
    }
  }
  return copy;
}

const slowest = { answer: 0 };
const faults = [];
async function send(route, body) {
  const at = performance.now();
  const answer = await fetch(`${address}/api/${route}`, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify(body),
  });
  const size = (await answer.arrayBuffer()).byteLength;
  const time = performance.now() - at;
  slowest.answer = Math.max(slowest.answer, time);
  if (answer.status >= 500) faults.push(`${route}: ${answer.status}`);
  return { time, size, status: answer.status };
}

for (let i = 0; i < 20; i++) await send("derive", { spec: demo });
const idle = memory();
let peak = idle;
const memories = setInterval(() => {
  peak = Math.max(peak, memory());
}, 20);
const watcher = new Worker(new URL(import.meta.url), { workerData: { address, slug } });
const watched = new Promise((done) => watcher.once("message", done));
await pause(200);

slowest.answer = 0;
for (const [what, route, body] of attacks) {
  const [first] = await Promise.all([send(route, body()), send(route, body())]);
  console.log(`${what}: ${first.status}, ${first.time.toFixed(0)} ms, ${(first.size / 1024).toFixed(0)} KB`);
}
const bases = attacks.filter(([, route]) => route !== "colors").map(([, route, body]) => [route, body()]);
const half = async () => {
  for (let i = 0; i < Number(mutations) / 2; i++) {
    const [route, body] = bases[random(bases.length)];
    await send(route, mutated(body));
  }
};
await Promise.all([half(), half()]);
clearInterval(memories);
watcher.postMessage("enough");
const { health, theme } = await watched;
await watcher.terminate();
const ms = (n) => `${n.toFixed(0)} ms`;
console.log(
  `${mutations} mutations of them, two at once: slowest answer ${ms(slowest.answer)}, ${faults.length} faults`,
);
console.log(`meanwhile: health at most ${ms(health)}, a theme's read at most ${ms(theme)}`);
console.log(`memory: ${idle.toFixed(0)} MB idle, ${peak.toFixed(0)} MB at most`);

const { hostname, port } = new URL(address);
const open = (text) => {
  const socket = connect(Number(port), hostname, () => socket.write(text));
  socket.on("error", () => {}).pause();
};
for (let i = 0; i < 200; i++) open("GET /api/health HT");
for (let i = 0; i < 50; i++)
  open(`GET /api/themes/${slug} HTTP/1.1\r\nhost: ${hostname}:${port}\r\n\r\n`.repeat(200));
await pause(1000);
process.kill(Number(pid), "SIGTERM");
const at = performance.now();
const alive = () => {
  try {
    process.kill(Number(pid), 0);
    return true;
  } catch {
    return false;
  }
};
while (alive() && performance.now() - at < 60_000) await pause(50);
console.log(
  `after 200 half-sent heads, 50 unread answers and SIGTERM: ${alive() ? "still there" : "gone"} after ${((performance.now() - at) / 1000).toFixed(1)} s`,
);
process.exit(0);
