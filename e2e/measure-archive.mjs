// Archives of every target of the demo theme, one after the other: node measure-archive.mjs ADDRESS [COUNT]
import { readFileSync } from "node:fs";

const [address, count = "200"] = process.argv.slice(2);
const spec = JSON.parse(readFileSync(new URL("../demo/brindle-sound-ferries.rhodon.json", import.meta.url)));
const targets = (await (await fetch(`${address}/api/targets`)).json()).map((t) => t.id);
const times = { "another revision each time": [], "the same again": [] };
for (let i = 0; i < Number(count); i++) {
  for (const what of Object.keys(times)) {
    // Another revision is another head in every file: no answer is at hand.
    const revision = what === "the same again" ? 1 : 1000 + i;
    const at = performance.now();
    const answer = await fetch(`${address}/api/archive`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ spec, revision, targets }),
    });
    await answer.arrayBuffer();
    if (!answer.ok) throw new Error(`status ${answer.status}`);
    times[what].push(performance.now() - at);
  }
}
for (const [what, list] of Object.entries(times)) {
  list.sort((a, b) => a - b);
  const at = (p) => list[Math.floor(list.length * p)].toFixed(1);
  console.log(`${what}: p50 ${at(0.5)} ms, p95 ${at(0.95)} ms, p99 ${at(0.99)} ms`);
}
