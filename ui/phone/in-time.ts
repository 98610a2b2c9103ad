/** What answers in time; else it is taken as if nobody had. @param ms how long is waited */
export const inTime = <T>(work: Promise<T>, ms: number): Promise<T> =>
  new Promise((done, fail) => {
    const timer = setTimeout(() => fail(new Error('no answer in time')), ms);
    work.then(done, fail).finally(() => clearTimeout(timer));
  });
