// Compresses the built files once, so that no request pays for it.
import { readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { gzipSync } from "node:zlib";

const PACKED = /\.(js|css|svg|json)$/;

function walk(folder) {
  for (const name of readdirSync(folder)) {
    const path = join(folder, name);
    if (statSync(path).isDirectory()) walk(path);
    else if (PACKED.test(name)) writeFileSync(`${path}.gz`, gzipSync(readFileSync(path), { level: 9 }));
  }
}

walk("dist");
