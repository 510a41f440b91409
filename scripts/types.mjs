/**
 * The type check, and what the language lets pass: a sentence whose figures are not in words yet is an object, and glued into text it
 * prints as [object Object]. So no template, sum, join, String() or toString() may take what may hold a figure.
 */
import { join, relative } from "node:path";
import ts from "typescript";
import { ROOT } from "./bootstrap.mjs";

/** Is tried with the rest: each of its four lines must be found. */
const TRIED = join(ROOT, "core", "quantity", "tried-by-types.ts");
const GLUED = `import type { Said } from "./said.ts";
export const inTemplate = (said: Said) => \`\${said}\`;
export const inSum = (said: Said) => said + ".";
export const inJoin = (said: Said[]) => said.join(", ");
export const inCall = (said: Said) => String(said);
`;

function programOf() {
  const file = join(ROOT, "tsconfig.json");
  const { config } = ts.readConfigFile(file, ts.sys.readFile);
  const { fileNames, options } = ts.parseJsonConfigFileContent(config, ts.sys, ROOT);
  const host = ts.createCompilerHost(options);
  const { fileExists, getSourceFile } = host;
  host.fileExists = (name) => name === TRIED || fileExists(name);
  host.getSourceFile = (name, target, ...rest) =>
    name === TRIED ? ts.createSourceFile(name, GLUED, target, true) : getSourceFile(name, target, ...rest);
  return ts.createProgram([...fileNames, TRIED], options, host);
}

/** Everything in a file that becomes text there. */
function madeText(file) {
  const found = [];
  const visit = (node) => {
    if (ts.isTemplateExpression(node) && !ts.isTaggedTemplateExpression(node.parent))
      found.push(...node.templateSpans.map(({ expression }) => expression));
    else if (ts.isBinaryExpression(node) && node.operatorToken.kind === ts.SyntaxKind.PlusToken)
      found.push(node.left, node.right);
    else if (ts.isCallExpression(node)) found.push(...madeByCall(node));
    ts.forEachChild(node, visit);
  };
  visit(file);
  return found;
}

function madeByCall({ expression: called, arguments: given }) {
  if (ts.isIdentifier(called) && called.text === "String") return [...given];
  const asked = ts.isPropertyAccessExpression(called) && ["join", "toString"].includes(called.name.text);
  return asked ? [called.expression] : [];
}

/** Whether something of this type may be, or hold, a figure (`Figure` in core/quantity/said.ts). */
function hasFigure(type, checker) {
  if (type.isUnionOrIntersection()) return type.types.some((each) => hasFigure(each, checker));
  if (type.flags & ts.TypeFlags.TypeParameter) {
    const bound = checker.getBaseConstraintOfType(type);
    return bound !== undefined && hasFigure(bound, checker);
  }
  if (!(type.flags & ts.TypeFlags.Object)) return false;
  const element = checker.getIndexTypeOfType(type, ts.IndexKind.Number);
  return element
    ? hasFigure(element, checker)
    : Boolean(type.getProperty("print") && type.getProperty("value"));
}

function gluedIn(file, checker) {
  return madeText(file)
    .filter((node) => hasFigure(checker.getTypeAtLocation(node), checker))
    .map((node) => {
      const { line } = file.getLineAndCharacterOfPosition(node.getStart());
      const type = checker.typeToString(checker.getTypeAtLocation(node)).slice(0, 60);
      return `${relative(ROOT, file.fileName)}:${line + 1} ${type} is a sentence with figures, no text: ${node.getText().slice(0, 70)}`;
    });
}

const program = programOf();
const checker = program.getTypeChecker();
const problems = ts.getPreEmitDiagnostics(program);
const ours = program
  .getSourceFiles()
  .filter(({ fileName, isDeclarationFile }) => !isDeclarationFile && !fileName.includes("/node_modules/"));
const glued = ours.filter(({ fileName }) => fileName !== TRIED).flatMap((file) => gluedIn(file, checker));
const tried = gluedIn(program.getSourceFile(TRIED), checker);

if (problems.length > 0)
  console.log(
    ts.formatDiagnosticsWithColorAndContext(problems, {
      getCanonicalFileName: (name) => name,
      getCurrentDirectory: () => ROOT,
      getNewLine: () => "\n",
    }),
  );
for (const each of glued) console.log(each);
if (tried.length !== 4)
  console.log(`Of four glued sentences ${tried.length} were found: ${tried.join("; ")}`);
process.exit(problems.length === 0 && glued.length === 0 && tried.length === 4 ? 0 : 1);
