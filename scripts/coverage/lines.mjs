// Which lines of a source can run, and which did.
import { AnyMap, eachMapping } from '@jridgewell/trace-mapping';
import { createInstrumenter } from 'istanbul-lib-instrument';

/** The lines on which a statement of a TypeScript source begins: types, comments and brackets are none. */
export function linesThatRun(source, path) {
  const parserPlugins = ['typescript', 'classProperties', ...(path.endsWith('x') ? ['jsx'] : [])];
  const instrumenter = createInstrumenter({ esModules: true, compact: false, parserPlugins });
  instrumenter.instrumentSync(source, path);
  const { statementMap } = instrumenter.lastFileCoverage();
  return new Set(Object.values(statementMap).map(({ start }) => start.line));
}

/**
 * What V8 counted of one script, as lines of its sources.
 *
 * @param functions what V8 tells of it (block coverage)
 * @param code the script as it ran
 * @param map its source map
 * @returns source as the map names it -> lines something on which ran
 */
export function linesThatRan(functions, code, map) {
  // From the outermost inwards: what is further in says it more exactly.
  const ranges = functions
    .flatMap((f) => f.ranges)
    .sort((a, b) => a.startOffset - b.startOffset || b.endOffset - a.endOffset);
  const lineStarts = [0];
  for (let at = code.indexOf('\n'); at >= 0; at = code.indexOf('\n', at + 1)) lineStarts.push(at + 1);
  const ran = new Map();
  const around = [];
  let next = 0;
  eachMapping(new AnyMap(map), ({ generatedLine, generatedColumn, source, originalLine }) => {
    if (source === null || originalLine === null) return;
    const offset = (lineStarts[generatedLine - 1] ?? 0) + generatedColumn;
    for (; next < ranges.length && ranges[next].startOffset <= offset; next += 1) {
      while (around.length > 0 && around.at(-1).endOffset <= ranges[next].startOffset) around.pop();
      around.push(ranges[next]);
    }
    while (around.length > 0 && around.at(-1).endOffset <= offset) around.pop();
    if (!(around.at(-1)?.count > 0)) return;
    if (!ran.has(source)) ran.set(source, new Set());
    ran.get(source).add(originalLine);
  });
  return ran;
}
