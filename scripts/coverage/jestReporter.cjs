const { existsSync, readFileSync, writeFileSync } = require('node:fs');
const { relative } = require('node:path');

/** What the tests in Node ran, by line: Jest's own report takes lines for unseen that are beside one that never ran. */
module.exports = class {
  ran = new Map();
  works = [];

  constructor({ rootDir }) {
    this.rootDir = rootDir;
  }

  onTestResult(_test, { v8Coverage = [] }) {
    this.works.push(this.count(v8Coverage));
  }

  async count(counted) {
    const { linesThatRan } = await import('./lines.mjs');
    for (const { result, codeTransformResult: made } of counted) {
      if (!made?.sourceMapPath || !existsSync(made.sourceMapPath)) continue;
      const inCode = (at) => at - made.wrapperLength;
      const functions = result.functions.map((f) => ({
        ranges: f.ranges.map((r) => ({
          ...r,
          startOffset: inCode(r.startOffset),
          endOffset: inCode(r.endOffset),
        })),
      }));
      const file = relative(this.rootDir, result.url);
      const known = this.ran.get(file) ?? new Set();
      // A file that is compiled by itself has one source: itself.
      const map = JSON.parse(readFileSync(made.sourceMapPath, 'utf8'));
      for (const lines of linesThatRan(functions, made.code, map).values())
        for (const line of lines) known.add(line);
      this.ran.set(file, known);
    }
  }

  async onRunComplete() {
    await Promise.all(this.works);
    writeFileSync(
      process.env.COVERAGE_FILE,
      JSON.stringify([...this.ran].map(([file, lines]) => [file, [...lines]])),
    );
  }
};
