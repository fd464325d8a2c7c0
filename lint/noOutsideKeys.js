/**
 * Lint rule: a table written as an object is not looked up by just any text. Every object has `constructor`, `toString` and others from
 * its prototype, so that such a text finds something that nobody wrote there. `ownOf` looks up what was written, and a Map has nothing
 * else.
 */
import ts from 'typescript';

/** Whether an expression is a table that is written out. */
function isTable(node) {
  if (!node) return false;
  if (ts.isObjectLiteralExpression(node)) return true;
  if (ts.isAsExpression(node) || ts.isSatisfiesExpression(node)) return isTable(node.expression);
  if (!ts.isCallExpression(node)) return false;
  const called = node.expression.getText();
  return called === 'Object.fromEntries' || (called === 'Object.freeze' && isTable(node.arguments[0]));
}

/** Whether a type holds any text, not only certain ones. */
const isAnyText = (type) => (type.isUnion() ? type.types.some(isAnyText) : (type.flags & ts.TypeFlags.String) !== 0);

export default {
  meta: {
    type: 'problem',
    fixable: 'code',
    schema: [],
    messages: { table: '"{{name}}" is looked up by any text: use `ownOf`, or make it a Map.' },
  },
  create(context) {
    const services = context.sourceCode.parserServices;
    const checker = services.program.getTypeChecker();
    function declarationOf(node) {
      const symbol = services.getSymbolAtLocation(node);
      const real = symbol && symbol.flags & ts.SymbolFlags.Alias ? checker.getAliasedSymbol(symbol) : symbol;
      return real?.valueDeclaration;
    }
    return {
      'MemberExpression[computed=true][object.type="Identifier"]'(node) {
        const { parent } = node;
        if (parent.type === 'AssignmentExpression' && parent.left === node) return;
        if (!isAnyText(services.getTypeAtLocation(node.property))) return;
        const declaration = declarationOf(node.object);
        if (!declaration || !ts.isVariableDeclaration(declaration) || !isTable(declaration.initializer)) return;
        // A record that is being filled is looked up by what was put there.
        if (!ts.isSourceFile(declaration.parent.parent.parent)) return;
        const { name } = node.object;
        const fix = (fixer) => fixer.replaceText(node, `ownOf(${name}, ${context.sourceCode.getText(node.property)})`);
        context.report({ node, messageId: 'table', data: { name }, fix });
      },
    };
  },
};
