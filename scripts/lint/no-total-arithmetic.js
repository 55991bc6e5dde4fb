const OPERATORS = new Set(['+', '-', '*', '/', '%', '**']);
const ASSIGNMENTS = new Set(['+=', '-=', '*=', '/=', '%=', '**=']);

/**
 * Numbers of records are calculated with in `core/count` only, where it is known what each is a number of. The rule
 * looks at the types: whatever a total is called, it is one.
 */
export const noTotalArithmetic = {
  meta: {
    type: 'problem',
    schema: [],
    messages: {
      calculated:
        'Numbers of records are compared and added up in core/count only: two of them may not mean the same.',
    },
  },
  create(context) {
    const { getTypeAtLocation } = context.sourceCode.parserServices;
    const isTotal = (node) => {
      const type = getTypeAtLocation(node);
      return (type.isUnion() ? type.types : [type]).some((one) => one.aliasSymbol?.name === 'Total');
    };
    const check = (node, operators) => {
      if (!operators.has(node.operator)) return;
      if (isTotal(node.left) || isTotal(node.right)) context.report({ node, messageId: 'calculated' });
    };
    return {
      BinaryExpression: (node) => check(node, OPERATORS),
      AssignmentExpression: (node) => check(node, ASSIGNMENTS),
    };
  },
};
