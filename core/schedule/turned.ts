import { never, type Job, type Limit, type Placed, type Problem } from './problem';

/** A job that stands in a round where it cannot stand any more. */
export interface InvalidatedJobs {
  job: Job;
  now: Placed;
  limit: Limit;
}

/**
 * Jobs of the rounds in force that what is known now keeps from their day or their crew: the forecast has turned, the season has
 * moved their span, somebody is away. What stands by somebody's own word is told as well.
 */
export const turned = (problem: Problem): InvalidatedJobs[] =>
  problem.jobs.flatMap((job): InvalidatedJobs[] => {
    const { now } = job;
    const crew = now && problem.crews.find((c) => c.id === now.crewId);
    const d = now ? problem.days.indexOf(now.day) : -1;
    if (!now || !crew || d < 0) return [];
    const limit = never(problem, { ...job, locked: false }, crew, d);
    return limit ? [{ job, now, limit }] : [];
  });
