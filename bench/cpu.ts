import { readFileSync } from 'node:fs';

/** User and system time that a process has used so far, ms. */
export function cpuOf(pid: string): number {
  const fields = readFileSync(`/proc/${pid}/stat`, 'utf8')
    .replace(/^.*\) /, '')
    .split(' ');
  return (Number(fields[11]) + Number(fields[12])) * 10;
}
