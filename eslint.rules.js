/**
 * What `core/words` says is for people. Whoever needs a part of it asks for the value it was said of: a phrase has no
 * member that may be asked for, so none is cut, searched or measured.
 */
const phrasesWhole = {
  meta: {
    type: 'problem',
    schema: [],
    messages: { apart: 'What is said is not taken apart: ask for the value that it was said of.' },
  },
  create(context) {
    const services = context.sourceCode.parserServices;
    const isPhrase = (type) =>
      type.isUnion() ? type.types.some(isPhrase) : type.isIntersection() && type.getProperty('phrase') !== undefined;
    return {
      MemberExpression(node) {
        if (isPhrase(services.getTypeAtLocation(node.object))) context.report({ node, messageId: 'apart' });
      },
    };
  },
};

export default { rules: { 'phrases-whole': phrasesWhole } };
