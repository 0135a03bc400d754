// The steps of check and test. Each gives how much of it passed and failed, so that the sum can be said at the end.
import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { root, say } from './prepare.mjs';

const node = process.execPath;
const packaged = (path) => join(root, 'node_modules', path);

/** A program that passes or fails as a whole. */
function whole(name, args, env) {
  return { name, run: () => (shown(args, env) === 0 ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 }) };
}

function shown(args, env = {}) {
  return (
    spawnSync(node, args, {
      cwd: root,
      stdio: ['ignore', 'inherit', 'inherit'],
      env: { ...process.env, NO_COLOR: '1', OILWICK_LOG_LEVEL: 'silent', ...env },
    }).status ?? 1
  );
}

/** Layers: fails on a forbidden import, and where no modules were seen, as when a tool does not fit its parser. */
function layers() {
  const fewest = 60;
  return {
    name: 'layers',
    run: () => {
      const { stdout, status } = spawnSync(
        node,
        [
          packaged('dependency-cruiser/bin/dependency-cruise.mjs'),
          'src',
          '--config',
          '.dependency-cruiser.cjs',
          '--output-type',
          'json',
        ],
        {
          cwd: root,
          encoding: 'utf8',
          maxBuffer: 256 * 1024 * 1024,
        },
      );
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
      if (good) process.stdout.write(`${summary.totalCruised} modules, no forbidden import\n`);
      return good ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 };
    },
  };
}

function vitest(name, project, env = {}) {
  return {
    name,
    run: () => {
      const file = join(root, '.oilwick', `vitest-${project}.json`);
      rmSync(file, { force: true });
      const status = shown(
        [
          packaged('vitest/vitest.mjs'),
          'run',
          '--project',
          project,
          '--reporter=dot',
          '--reporter=json',
          `--outputFile.json=${file}`,
        ],
        env,
      );
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
    run: () => {
      const file = join(root, '.oilwick', 'test-results.json');
      rmSync(file, { force: true });
      const status = shown([packaged('@playwright/test/cli.js'), 'test', ...args], env);
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
    vitest('unit tests', 'unit'),
  ];
}

export function storeStep(env) {
  return vitest('store tests', 'store', env);
}

/** Runs steps in turn, all of them, and says what each came to. */
export function runSteps(steps) {
  const sum = { passed: 0, failed: 0 };
  for (const step of steps) {
    process.stdout.write(`\n== ${step.name}\n`);
    const start = performance.now();
    const { passed, failed } = step.run();
    sum.passed += passed;
    sum.failed += failed;
    process.stdout.write(
      `-- ${step.name}: ${failed === 0 ? 'good' : 'FAILED'} in ${((performance.now() - start) / 1000).toFixed(1)} s\n`,
    );
  }
  return sum;
}
