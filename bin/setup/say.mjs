/** A fault that the person at the keyboard can mend: printed as one sentence, without a stack trace. */
export class Plain extends Error {}

/** Runs `main`; a Plain error becomes its sentence and exit code 1, a bug keeps its trace. */
export async function run(main) {
  try {
    await main();
  } catch (error) {
    if (error instanceof Plain) console.error(`elmhorn: ${error.message}`);
    else if (error?.code === 'ENOSPC') console.error('elmhorn: the disk is full; free some space and start again.');
    else console.error(error);
    process.exit(1);
  }
}

export const say = (text) => console.log(text);
