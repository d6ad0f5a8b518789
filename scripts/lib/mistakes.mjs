import ts from 'typescript'

/** Mistakes that a file could hold: each is a place and what would stand there. Found in the syntax tree, so that no comment,
 * type or text is touched. */

const otherSign = {
  '+': '-',
  '-': '+',
  '*': '/',
  '/': '*',
  '<': '>=',
  '<=': '>',
  '>': '<=',
  '>=': '<',
  '===': '!==',
  '!==': '===',
  '&&': '||',
  '||': '&&',
}

const isText = (node) => ts.isStringLiteralLike(node) || ts.isTemplateExpression(node)

/** @returns {{ start: number, end: number, to: string }[]} in the order of the file */
export function mistakesIn(source) {
  const tree = ts.createSourceFile('file.ts', source, ts.ScriptTarget.Latest, true)
  const found = []
  const put = (node, to) => found.push({ start: node.getStart(tree), end: node.getEnd(), to })
  const visit = (node) => {
    if (ts.isTypeNode(node) || ts.isInterfaceDeclaration(node) || ts.isTypeAliasDeclaration(node)) return
    if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node)) return
    // What is wrong with an argument is said in a text; the text itself is nobody's rule.
    if (ts.isThrowStatement(node)) return
    if (ts.isBinaryExpression(node)) {
      const to = otherSign[node.operatorToken.getText(tree)]
      if (to && !isText(node.left) && !isText(node.right)) put(node.operatorToken, to)
    }
    if (ts.isPrefixUnaryExpression(node) && node.operator === ts.SyntaxKind.ExclamationToken)
      put(node, node.operand.getText(tree))
    if (node.kind === ts.SyntaxKind.TrueKeyword) put(node, 'false')
    if (node.kind === ts.SyntaxKind.FalseKeyword) put(node, 'true')
    if (ts.isNumericLiteral(node) && Number(node.text) > 2) put(node, String(Number(node.text) * 1.5))
    ts.forEachChild(node, visit)
  }
  visit(tree)
  return found
}

/** Every statement that asks for a right, left out. */
export function rightsIn(source) {
  const tree = ts.createSourceFile('file.ts', source, ts.ScriptTarget.Latest, true)
  const found = []
  const visit = (node) => {
    if (ts.isExpressionStatement(node) && /^(await )?(this\.)?(requireRole|refuse\w+)\(/.test(node.getText(tree)))
      found.push({ start: node.getStart(tree), end: node.getEnd(), to: ';' })
    ts.forEachChild(node, visit)
  }
  visit(tree)
  return found
}
