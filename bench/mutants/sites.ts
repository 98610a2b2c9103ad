import ts from 'typescript';

/** One change of a source that a sharp test notices. */
export interface Mutation {
  /** Where the changed text begins and ends in the source, in characters. */
  start: number;
  end: number;
  /** What stands there instead. */
  text: string;
  kind: 'condition turned' | 'bound moved' | 'term dropped' | 'unit swapped';
}

const INVALIDATED: Partial<Record<ts.SyntaxKind, string>> = {
  [ts.SyntaxKind.EqualsEqualsEqualsToken]: '!==',
  [ts.SyntaxKind.ExclamationEqualsEqualsToken]: '===',
  [ts.SyntaxKind.AmpersandAmpersandToken]: '||',
  [ts.SyntaxKind.BarBarToken]: '&&',
};
const MOVED: Partial<Record<ts.SyntaxKind, string>> = {
  [ts.SyntaxKind.LessThanToken]: '<=',
  [ts.SyntaxKind.LessThanEqualsToken]: '<',
  [ts.SyntaxKind.GreaterThanToken]: '>=',
  [ts.SyntaxKind.GreaterThanEqualsToken]: '>',
};
const DROPPED = new Set<ts.SyntaxKind>([
  ts.SyntaxKind.PlusToken,
  ts.SyntaxKind.MinusToken,
  ts.SyntaxKind.AsteriskToken,
  ts.SyntaxKind.SlashToken,
]);
/** Units that are taken for each other, by their words. */
const UNITS: Record<string, string> = { cm: 'in', in: 'cm', m: 'ft', ft: 'm', mL: 'L', L: 'mL', g: 'kg', kg: 'g' };
/** A power of ten turns one unit into another. */
const POWER = /^10+$/;

/** Whether an expression is words: what a sentence says is not what these tests are about. */
function isWords(node: ts.Expression): boolean {
  if (ts.isStringLiteralLike(node) || ts.isTemplateExpression(node)) return true;
  if (ts.isParenthesizedExpression(node)) return isWords(node.expression);
  return ts.isBinaryExpression(node) && (isWords(node.left) || isWords(node.right));
}

/** Whether a literal is a value of its own, and no key, type or path of an import. */
const isValue = ({ parent }: ts.Node) =>
  !ts.isLiteralTypeNode(parent) &&
  !ts.isImportDeclaration(parent) &&
  !ts.isExportDeclaration(parent) &&
  !(ts.isPropertyAssignment(parent) && ts.isObjectLiteralExpression(parent.initializer));

function ofBinary(node: ts.BinaryExpression, source: ts.SourceFile): Mutation[] {
  const operator = node.operatorToken;
  const at = { start: operator.getStart(source), end: operator.getEnd() };
  const turned = INVALIDATED[operator.kind];
  if (turned) return [{ ...at, text: turned, kind: 'condition turned' }];
  const moved = MOVED[operator.kind];
  if (moved) return [{ ...at, text: moved, kind: 'bound moved' }];
  if (!DROPPED.has(operator.kind) || isWords(node)) return [];
  return [{ start: node.left.getEnd(), end: node.getEnd(), text: '', kind: 'term dropped' }];
}

/** Every change that can be made to a source, in the order of its text. */
export function mutationsOf(path: string, text: string): Mutation[] {
  const source = ts.createSourceFile(path, text, ts.ScriptTarget.Latest, true);
  const found: Mutation[] = [];
  const visit = (node: ts.Node) => {
    if (ts.isTypeNode(node) || ts.isInterfaceDeclaration(node) || ts.isTypeAliasDeclaration(node)) return;
    const at = { start: node.getStart(source), end: node.getEnd() };
    if (ts.isBinaryExpression(node)) found.push(...ofBinary(node, source));
    else if (ts.isPrefixUnaryExpression(node) && node.operator === ts.SyntaxKind.ExclamationToken)
      found.push({ ...at, text: node.operand.getText(source), kind: 'condition turned' });
    else if (ts.isNumericLiteral(node) && POWER.test(node.text) && isValue(node))
      found.push({ ...at, text: `${node.text}0`, kind: 'unit swapped' });
    else if (ts.isStringLiteral(node) && Object.hasOwn(UNITS, node.text) && isValue(node))
      found.push({ ...at, text: `'${UNITS[node.text]}'`, kind: 'unit swapped' });
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found.sort((a, b) => a.start - b.start);
}

/** A source with one change made. */
export const mutated = (text: string, { start, end, text: instead }: Mutation) =>
  text.slice(0, start) + instead + text.slice(end);
