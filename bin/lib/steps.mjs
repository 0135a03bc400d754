// The steps of check and test. Each gives how much of it passed and failed, so that the sum can be said at the end.
import { spawn } from 'node:child_process';
import { existsSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { root, say } from './prepare.mjs';

const node = process.execPath;
const packaged = (path) => join(root, 'node_modules', path);

/** A program that passes or fails as a whole. */
function whole(name, args, env) {
  return {
    name,
    run: async (tell) => {
      const { status, output } = await ran(args, env);
      tell(output);
      return status === 0 ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 };
    },
  };
}

/** Runs a script; what it says is given back at its end, or shown at once where nothing runs beside it. */
function ran(args, env = {}, isShown = false) {
  return new Promise((resolve) => {
    const child = spawn(node, args, {
      cwd: root,
      stdio: isShown ? ['ignore', 'inherit', 'inherit'] : ['ignore', 'pipe', 'pipe'],
      env: { ...process.env, NO_COLOR: '1', OILWICK_LOG_LEVEL: 'silent', ...env },
    });
    const heard = [];
    let stdout = '';
    child.stdout?.on('data', (chunk) => {
      heard.push(chunk);
      stdout += chunk;
    });
    child.stderr?.on('data', (chunk) => heard.push(chunk));
    child.on('close', (status) =>
      resolve({ status: status ?? 1, output: Buffer.concat(heard).toString(), stdout }),
    );
  });
}

/** Layers: fails on a forbidden import, and where no modules were seen, as when a tool does not fit its parser. */
function layers() {
  const fewest = 60;
  return {
    name: 'layers',
    run: async (tell) => {
      const { stdout, status } = await ran([
        packaged('dependency-cruiser/bin/dependency-cruise.mjs'),
        'src',
        '--config',
        '.dependency-cruiser.cjs',
        '--output-type',
        'json',
      ]);
      let summary;
      try {
        ({ summary } = JSON.parse(stdout));
      } catch {
        say(`The layer check gave no report (exit ${status}).`);
        return { passed: 0, failed: 1 };
      }
      const errors = summary.violations.filter((v) => v.rule.severity === 'error');
      for (const { rule, from, to } of errors) say(`${rule.name}: ${from} -> ${to}`);
      if (summary.totalCruised < fewest) say(`The layer check saw only ${summary.totalCruised} modules.`);
      const good = errors.length === 0 && summary.totalCruised >= fewest;
      if (good) tell(`${summary.totalCruised} modules, no forbidden import\n`);
      return good ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 };
    },
  };
}

function vitest(name, project, env = {}, files = []) {
  return {
    name,
    run: async (tell) => {
      const file = join(root, '.oilwick', `vitest-${project}.json`);
      rmSync(file, { force: true });
      const { status, output } = await ran(
        [
          packaged('vitest/vitest.mjs'),
          'run',
          ...files,
          '--project',
          project,
          '--reporter=dot',
          '--reporter=json',
          `--outputFile.json=${file}`,
        ],
        env,
      );
      tell(output);
      return counted(file, status, (report) => ({
        passed: report.numPassedTests,
        failed: report.numFailedTests,
      }));
    },
  };
}

export function playwright(name, args, env) {
  return {
    name,
    run: async () => {
      const file = join(root, '.oilwick', 'test-results.json');
      rmSync(file, { force: true });
      const { status } = await ran([packaged('@playwright/test/cli.js'), 'test', ...args], env, true);
      return counted(file, status, ({ stats }) => ({
        passed: stats.expected + stats.flaky,
        failed: stats.unexpected,
      }));
    },
  };
}

function counted(file, status, read) {
  if (!existsSync(file)) return { passed: 0, failed: 1 };
  const { passed, failed } = read(JSON.parse(readFileSync(file, 'utf8')));
  // A runner may fail without a failed test, as on a fault between tests, or run none at all.
  return { passed, failed: failed === 0 && (status !== 0 || passed === 0) ? 1 : failed };
}

/** Checks that keep one core busy each. */
export function checkSteps() {
  return [
    whole('types', [packaged('typescript/bin/tsc'), '--noEmit', '-p', '.']),
    whole('lint', [
      packaged('eslint/bin/eslint.js'),
      '.',
      '--max-warnings',
      '0',
      '--cache',
      '--cache-location',
      '.oilwick/cache/eslint',
    ]),
    whole('format', [packaged('prettier/bin/prettier.cjs'), '--check', '--log-level', 'warn', '.']),
    layers(),
    whole('unused code', [packaged('knip/bin/knip.js'), '--no-progress']),
  ];
}

export function unitStep() {
  return vitest('unit tests', 'unit');
}

/** Some files of the unit tests alone. */
export function vitestFiles(name, files, env, project = 'unit') {
  return vitest(name, project, env, files);
}

export function storeStep(env) {
  return vitest('store tests', 'store', env);
}

/** Runs steps, all of them, some side by side where that is asked for, and says what each came to. */
export async function runSteps(steps, sideBySide = 1) {
  const sum = { passed: 0, failed: 0 };
  const waiting = [...steps];
  const lane = async () => {
    for (let step = waiting.shift(); step; step = waiting.shift()) {
      const start = performance.now();
      const heard = [];
      if (sideBySide === 1) process.stdout.write(`\n== ${step.name}\n`);
      const { passed, failed } = await step.run((text) => heard.push(text));
      sum.passed += passed;
      sum.failed += failed;
      if (sideBySide > 1) process.stdout.write(`\n== ${step.name}\n`);
      process.stdout.write(heard.join(''));
      const seconds = ((performance.now() - start) / 1000).toFixed(1);
      process.stdout.write(`-- ${step.name}: ${failed === 0 ? 'good' : 'FAILED'} in ${seconds} s\n`);
    }
  };
  await Promise.all(Array.from({ length: sideBySide }, lane));
  return sum;
}
