import { ESLintUtils } from '@typescript-eslint/utils';
import ts from 'typescript';

/**
 * Records keyed by any text are read with `own(record, key)`, never with `record[key]`, which finds inherited properties too. A plain
 * assignment is allowed; `??=` and the like read first.
 */
export const ownProperty = ESLintUtils.RuleCreator.withoutDocs({
  meta: {
    type: 'problem',
    schema: [],
    fixable: 'code',
    messages: { bare: 'Read a record with own(record, key): a bare record[key] finds inherited properties too.' },
  },
  defaultOptions: [],
  create(context) {
    const services = ESLintUtils.getParserServices(context);
    const checker = services.program.getTypeChecker();
    return {
      MemberExpression(node) {
        if (!node.computed || node.property.type === 'Literal') return;
        const { parent } = node;
        if (parent.type === 'AssignmentExpression' && parent.left === node && parent.operator === '=') return;
        if (parent.type === 'UnaryExpression' && parent.operator === 'delete') return;
        const type = checker.getNonNullableType(services.getTypeAtLocation(node.object));
        const parts = type.isUnion() ? type.types : [type];
        if (!parts.some((part) => checker.getIndexInfoOfType(part, ts.IndexKind.String))) return;
        const key = services.getTypeAtLocation(node.property);
        const keys = key.isUnion() ? key.types : [key];
        if (keys.every((one) => one.isStringLiteral() || one.flags & ts.TypeFlags.NumberLike)) return;
        context.report({
          node,
          messageId: 'bare',
          fix:
            node.optional || parent.type === 'AssignmentExpression'
              ? null
              : (fixer) => {
                  const text = context.sourceCode;
                  return fixer.replaceText(node, `own(${text.getText(node.object)}, ${text.getText(node.property)})`);
                },
        });
      },
    };
  },
});
