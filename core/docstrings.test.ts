/** Whoever calls a function of core reads what it gives without opening it: each that is exported has a docstring. */
import { readdirSync, readFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import ts from "typescript";
import { expect, it } from "vitest";

const FOLDER = fileURLToPath(new URL(".", import.meta.url));

const isExported = (node: ts.Statement) =>
  ts.canHaveModifiers(node) &&
  (ts.getModifiers(node) ?? []).some(({ kind }) => kind === ts.SyntaxKind.ExportKeyword);

const isFunction = (node: ts.Statement) =>
  ts.isFunctionDeclaration(node) ||
  (ts.isVariableStatement(node) &&
    node.declarationList.declarations.some(
      ({ initializer }) => initializer && ts.isArrowFunction(initializer),
    ));

it("every exported function says what it gives", () => {
  const files = (readdirSync(FOLDER, { recursive: true }) as string[]).filter(
    (name) => name.endsWith(".ts") && !/\.test\.ts$|(^|\/)sample/.test(name),
  );
  let functions = 0;
  const silent = files.flatMap((name) => {
    const source = ts.createSourceFile(
      name,
      readFileSync(FOLDER + name, "utf8"),
      ts.ScriptTarget.Latest,
      true,
    );
    const own = source.statements.filter((node) => isExported(node) && isFunction(node));
    functions += own.length;
    return own
      .filter((node) => ts.getJSDocCommentsAndTags(node).length === 0)
      .map((node) => `${name}: ${node.getText().slice(0, 60)}`);
  });
  expect(functions).toBeGreaterThan(400);
  expect(silent).toEqual([]);
});
