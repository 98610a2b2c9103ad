import { parentPort } from 'node:worker_threads';
import { zxcvbn, zxcvbnOptions } from '@zxcvbn-ts/core';
import * as common from '@zxcvbn-ts/language-common';
import * as english from '@zxcvbn-ts/language-en';

// Guessing a password is arithmetic that grows with every sign that stands for a letter: it has a thread of its own, and bounds.
zxcvbnOptions.setOptions({
  dictionary: { ...common.dictionary, ...english.dictionary },
  graphs: common.adjacencyGraphs,
  l33tMaxSubstitutions: 8,
});
parentPort.on('message', ({ id, password, words }) => {
  parentPort.postMessage({ id, score: zxcvbn(password, words).score });
});
