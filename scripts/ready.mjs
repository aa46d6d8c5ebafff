// @ts-check
/** What the two commands need before they can run: packages, a build, a browser. Plain Node, since nothing is installed yet. */
import { spawn, spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import {
  accessSync,
  constants,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  statSync,
  writeFileSync,
} from "node:fs";
import { createServer } from "node:net";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";

export const root = join(dirname(fileURLToPath(import.meta.url)), "..");

export const QUIET = {
  ASTRO_TELEMETRY_DISABLED: "1",
  ASTRO_DISABLE_UPDATE_CHECK: "true",
  PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD: "1",
};

/**
 * Runs a command in the project and answers its exit code; what it prints is shown unless `silent`, and then only where it
 * fails.
 *
 * @param {string} command
 * @param {readonly string[]} args
 * @param {{ silent?: boolean, env?: Record<string, string> }} [options]
 */
export function run(command, args, { silent = false, env = {} } = {}) {
  const { status, stdout, stderr } = spawnSync(command, args, {
    cwd: root,
    env: { ...process.env, ...QUIET, ...env },
    stdio: silent ? "pipe" : "inherit",
    encoding: "utf8",
    maxBuffer: 64 * 1024 * 1024,
  });
  if (silent && status !== 0) process.stderr.write(`${stdout ?? ""}${stderr ?? ""}`);
  return status ?? 1;
}

/** @param {string} name A tool of the project's own, as installed. */
export const tool = (name) => join(root, "node_modules", ".bin", name);

/** @param {string} text */
const digest = (text) => createHash("sha256").update(text).digest("hex");

/**
 * Whether a stamp says what is asked; stamps stand in node_modules and go with it.
 *
 * @param {string} name
 * @param {string} value
 */
const isStamped = (name, value) => {
  const file = join(root, "node_modules", `.shade-${name}`);
  return existsSync(file) && readFileSync(file, "utf8") === value;
};

/**
 * @param {string} name
 * @param {string} value
 */
const stamp = (name, value) => writeFileSync(join(root, "node_modules", `.shade-${name}`), value);

/** Installs the packages unless those of this lock file are there. */
export function ensurePackages() {
  const wanted = digest(readFileSync(join(root, "package-lock.json"), "utf8"));
  if (isStamped("packages", wanted)) return;
  console.log("Installing packages …");
  const npm = process.platform === "win32" ? "npm.cmd" : "npm";
  if (run(npm, ["ci", "--no-audit", "--no-fund", "--loglevel=error"]) !== 0) {
    console.error(
      "The packages could not be installed. npm says why above; a reachable npm registry is needed once.",
    );
    process.exit(1);
  }
  stamp("packages", wanted);
}

/** @param {string} folder @returns {string[]} */
const filesIn = (folder) =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    return entry.isDirectory() ? filesIn(path) : [path];
  });

/**
 * The command that builds the application, and what to do once it has; undefined where it is built from just these sources.
 *
 * What is built is what players get, whatever the environment says: React has a version for development that is half as large again.
 *
 * @returns {{ command: string, args: readonly string[], env: Record<string, string>, done: () => void } | undefined}
 */
export function buildStep() {
  const sources = [...filesIn(join(root, "src")), ...filesIn(join(root, "public"))]
    .filter((path) => !/\.test\.tsx?$/.test(path))
    .sort();
  const own = ["astro.config.mjs", "package-lock.json", "tsconfig.json"].map((name) => join(root, name));
  const wanted = digest(
    [...sources, ...own]
      .map((path) => `${path.slice(root.length)}\n${digest(readFileSync(path, "utf8"))}`)
      .join("\n"),
  );
  if (isStamped("build", wanted) && existsSync(join(root, "dist/server/serve.mjs"))) return undefined;
  return {
    command: process.execPath,
    args: [join(root, "node_modules/astro/astro.js"), "build"],
    env: { NODE_ENV: "production" },
    done: () => stamp("build", wanted),
  };
}

/** Builds the application unless it is built from just these sources. */
export function ensureBuild() {
  const build = buildStep();
  if (!build) return;
  console.log("Building …");
  if (run(build.command, build.args, { silent: true, env: build.env }) !== 0) process.exit(1);
  build.done();
}

/** @param {string} path */
const isRunnable = (path) => {
  try {
    accessSync(path, constants.X_OK);
    return statSync(path).isFile();
  } catch {
    return false;
  }
};

const findChromium = () =>
  [
    process.env.SHADE_CHROMIUM,
    "/usr/bin/chromium",
    "/usr/bin/chromium-browser",
    "/usr/bin/google-chrome",
  ].find((path) => path !== undefined && isRunnable(path));

/** The browser for the tests: the one that is there, or Debian's, installed where that is possible. */
export function ensureChromium() {
  const found = findChromium();
  if (found) return found;
  const isDebianRoot = existsSync("/usr/bin/apt-get") && process.getuid?.() === 0;
  if (isDebianRoot) {
    console.log("Installing Chromium …");
    const env = { DEBIAN_FRONTEND: "noninteractive" };
    run("apt-get", ["update", "-qq"], { silent: true, env });
    run("apt-get", ["install", "-y", "-qq", "--no-install-recommends", "chromium"], { silent: true, env });
  }
  const installed = findChromium();
  if (installed) return installed;
  console.error(
    isDebianRoot
      ? "Chromium could not be installed: apt-get says why above. Install it by hand, or set SHADE_CHROMIUM to the path of one."
      : "The browser tests need Chromium, which isn’t installed here. Install it (on Debian: sudo apt-get install chromium), or set SHADE_CHROMIUM to the path of one. Unit tests alone: npm run unit.",
  );
  process.exit(1);
}

/** How the browser is started on a machine without a screen. */
export const CHROMIUM_FLAGS =
  "--headless --no-sandbox --disable-gpu --disable-quic --no-first-run --disable-background-networking --disable-component-update --disable-sync".split(
    " ",
  );

/** A port that nothing listens on. @returns {Promise<number>} */
export const freePort = () =>
  new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once("error", reject);
    probe.listen(0, "127.0.0.1", () => {
      const address = probe.address();
      probe.close(() => resolve(typeof address === "object" && address ? address.port : 0));
    });
  });

/**
 * Starts the built application on a port and waits until it answers. With `ends` this process lives and dies with it.
 *
 * @param {number} port
 * @param {{ env?: Record<string, string>, ends?: boolean, from?: string }} [options] of this checkout unless said
 * @returns {Promise<{ address: string, stop: () => void, pid: number }>}
 */
export async function startServer(port, { env = {}, ends = false, from = root } = {}) {
  const address = `http://127.0.0.1:${port}`;
  const server = spawn(process.execPath, [join(from, "dist/server/serve.mjs")], {
    cwd: from,
    env: { ...process.env, HOST: "127.0.0.1", PORT: String(port), ...env },
    stdio: ["ignore", "ignore", "inherit"],
  });
  const stop = () => void server.kill();
  if (ends) {
    server.on("exit", (code) => process.exit(code ?? 0));
    for (const signal of /** @type {const} */ (["SIGINT", "SIGTERM"]))
      process.on(signal, () => server.kill(signal));
  }
  for (let tries = 0; tries < 100; tries += 1) {
    const answers = await fetch(`${address}/derive`).then(
      ({ ok }) => ok,
      () => false,
    );
    if (answers) return { address, stop, pid: server.pid ?? 0 };
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  stop();
  throw new Error(`The application did not answer at ${address}; is the port taken?`);
}

/** A folder for the test runners' reports. */
export function reportsFolder() {
  const folder = join(root, ".reports");
  mkdirSync(folder, { recursive: true });
  return folder;
}
