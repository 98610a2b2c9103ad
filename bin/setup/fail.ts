/** Ends the program with one sentence. */
export const fail = (sentence: string): never => {
  console.error(`elmhorn: ${sentence}`);
  process.exit(1);
};
