import { v7 } from 'uuid';
import { writeRecord, type NewRecord } from './records';
import type { Scope } from './db';

/** Books without end until it is killed: the victim of the test beside it. */
const { seed, ...scope } = JSON.parse(process.argv[2]!) as Scope & { seed: NewRecord };

async function main() {
  for (let first = true; ; first = false) {
    const id = v7();
    await writeRecord(scope, v7, { ...seed, id, rootId: id, moves: [{ ...seed.moves[0]!, id: v7() }] });
    if (first) process.send!('ready');
  }
}
void main();
