/**
 * Words that are not used in code, with what to say instead: `names` in identifiers (any part of a camelCase or snake_case
 * name), `texts` in string literals. A word comes in here once nothing uses it any more, and then cannot come back.
 */
export const BANNED = {
  names: {
    outfit: 'company',
    outfits: 'companies',
    fault: 'issue',
    faults: 'issues',
    verdict: 'diagnosis',
    verdicts: 'diagnoses',
    proposal: 'quote',
    proposals: 'quotes',
    sighting: 'stage note',
    sightings: 'stage notes',
    laid: 'assigned',
    laying: 'assigning',
    hung: 'installed',
    pulled: 'removed',
    landed: 'synced',
    handed: 'transfer',
    sureness: 'confidence',
    trouble: 'problem',
    troubles: 'problems',
    finds: 'detections',
  },
  texts: {
    outfit: 'company',
    outfits: 'companies',
  },
};

const parts = (name) =>
  name
    .replace(/([a-z0-9])([A-Z])/g, '$1 $2')
    .toLowerCase()
    .split(/[ _]/);

/** The linter's rule: `elmhorn/words`. */
export const words = {
  meta: { type: 'suggestion', schema: [], messages: { say: '“{{word}}” is not used here: say {{instead}}.' } },
  create(context) {
    const report = (node, list, found) => {
      const word = found.find((w) => Object.hasOwn(list, w));
      if (word) context.report({ node, messageId: 'say', data: { word, instead: list[word] } });
    };
    const text = (node, value) =>
      report(
        node,
        BANNED.texts,
        String(value)
          .toLowerCase()
          .match(/[a-z]+/g) ?? [],
      );
    return {
      Identifier: (node) => report(node, BANNED.names, parts(node.name)),
      JSXText: (node) => text(node, node.value),
      Literal: (node) => typeof node.value === 'string' && text(node, node.value),
      TemplateElement: (node) => text(node, node.value.raw),
    };
  },
};
