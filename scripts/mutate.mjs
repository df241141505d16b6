// Puts faults into core, one at a time and at random, and says which of them its tests do not notice.
import { spawn } from 'node:child_process';
import { cpSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import ts from 'typescript';
import { root } from './setup.mjs';

const DIST = `${root}core/dist`;
/** Where nothing is computed: the tests themselves, what they are made of, and the tables of words of each language. */
const NOT_MUTATED = /\.test\.js$|\/testing\/|\/tongues\/|\/index\.js$/;
/** The tests that take longest. */
const SLOW = 'soundness';
/** Longest time for one fault, in ms: one that makes a computation endless is noticed by this. */
const LIMIT = 180_000;

const SWAPPED = {
  '===': '!==',
  '!==': '===',
  '<': '<=',
  '<=': '<',
  '>': '>=',
  '>=': '>',
  '&&': '||',
  '||': '&&',
  '??': '&&',
  '+': '-',
  '-': '+',
  '*': '/',
  '/': '*',
  '%': '*',
};

/** What stands in for a value that is missing: the compiler asks for it where nothing is ever missing. */
const isStandIn = (node) =>
  ts.isLiteralExpression(node) &&
  ts.isBinaryExpression(node.parent) &&
  node.parent.operatorToken.kind === ts.SyntaxKind.QuestionQuestionToken &&
  node.parent.right === node;

/** Every fault that can be put into a file: where, what stands there, and what is put instead. */
function faultsIn(path) {
  const text = readFileSync(path, 'utf8');
  const source = ts.createSourceFile(path, text, ts.ScriptTarget.ES2023, true);
  const faults = [];
  const put = (node, to, from = node.getText(source)) =>
    faults.push({ path, text, start: node.getStart(source), end: node.getEnd(), from, to });
  const visit = (node) => {
    if (ts.isBinaryExpression(node)) {
      const sign = node.operatorToken.getText(source);
      if (SWAPPED[sign]) put(node.operatorToken, SWAPPED[sign]);
    } else if (ts.isPrefixUnaryExpression(node) && node.operator === ts.SyntaxKind.ExclamationToken)
      put(node, node.operand.getText(source));
    else if (node.kind === ts.SyntaxKind.TrueKeyword) put(node, 'false');
    else if (node.kind === ts.SyntaxKind.FalseKeyword) put(node, 'true');
    else if (isStandIn(node)) return;
    else if (ts.isNumericLiteral(node)) put(node, String(Number(node.text) + 1));
    else if (ts.isStringLiteral(node) && node.text !== '' && !ts.isImportDeclaration(node.parent))
      if (!ts.isExportDeclaration(node.parent)) put(node, "''");
    if (ts.isIfStatement(node)) {
      put(node.expression, 'true');
      put(node.expression, 'false');
    }
    if (ts.isConditionalExpression(node)) put(node.condition, 'true');
    if (ts.isExpressionStatement(node) && ts.isCallExpression(node.expression)) put(node, ';');
    ts.forEachChild(node, visit);
  };
  ts.forEachChild(source, visit);
  return faults;
}

/** Numbers from 0 to 1 that follow from a seed (mulberry32, by Tommy Ettinger, public domain). */
function randomFrom(seed) {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
}

function sampled(all, count, random) {
  const left = [...all];
  return Array.from({ length: Math.min(count, left.length) }, () =>
    left.splice(Math.floor(random() * left.length), 1).at(0),
  );
}

/** Runs tests of a copy of core; true when they all pass. `pattern` says which. */
function passes(copy, options) {
  const config = {
    rootDir: copy,
    testMatch: ['<rootDir>/**/*.test.js'],
    transform: {},
    testEnvironment: 'node',
    testTimeout: 60_000,
  };
  return new Promise((resolve) => {
    const jest = spawn(
      process.execPath,
      [
        '--experimental-vm-modules',
        `${root}node_modules/jest/bin/jest.js`,
        '--config',
        JSON.stringify(config),
        '--maxWorkers=1',
        '--bail',
        '--silent',
        ...options,
      ],
      { cwd: root, stdio: 'ignore' },
    );
    const timer = setTimeout(() => jest.kill('SIGKILL'), LIMIT);
    jest.once('exit', (code) => {
      clearTimeout(timer);
      resolve(code === 0);
    });
  });
}

/** Whether the tests notice a fault: first those of its own room, then those of others, last those of many random runs. */
async function isNoticed(copy, fault) {
  const name = relative(DIST, fault.path);
  writeFileSync(join(copy, name), fault.text.slice(0, fault.start) + fault.to + fault.text.slice(fault.end));
  const room = `/${name.split('/')[0]}/.*(?<!${SLOW}).test.js$`;
  const survived =
    (await passes(copy, ['--passWithNoTests', '--testPathPatterns', room])) &&
    (await passes(copy, ['--testPathIgnorePatterns', SLOW, room])) &&
    (await passes(copy, ['--testPathPatterns', SLOW]));
  writeFileSync(join(copy, name), fault.text);
  return !survived;
}

/**
 * Puts `count` faults into core and says of each that is not noticed where it stands.
 *
 * @returns {Promise<{ noticed: number, all: number }>}
 */
export async function mutateCore({ count, seed, lanes = 2 }) {
  const files = readdirSync(DIST, { recursive: true })
    .map((name) => join(DIST, name))
    .filter((path) => path.endsWith('.js') && !NOT_MUTATED.test(path))
    .sort();
  const waiting = sampled(files.flatMap(faultsIn), count, randomFrom(seed));
  const all = waiting.length;
  let noticed = 0;
  const lane = async (number) => {
    const copy = `${root}core/dist-mutant-${number}`;
    rmSync(copy, { recursive: true, force: true });
    mkdirSync(copy);
    cpSync(DIST, copy, { recursive: true });
    if (!(await passes(copy, []))) throw new Error('The tests of core fail without a fault being put in.');
    for (let fault = waiting.pop(); fault; fault = waiting.pop()) {
      if (await isNoticed(copy, fault)) noticed++;
      else {
        const line = fault.text.slice(0, fault.start).split('\n').length;
        const short = (words) => words.replace(/\s+/g, ' ').slice(0, 60);
        console.log(
          `  not noticed: ${relative(root, fault.path)}:${line}  ${short(fault.from)}  →  ${short(fault.to)}`,
        );
      }
    }
    rmSync(copy, { recursive: true, force: true });
  };
  await Promise.all(Array.from({ length: lanes }, (_, number) => lane(number)));
  return { noticed, all };
}
