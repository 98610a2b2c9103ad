'use client';

import { useState } from 'react';
import { FormIssues, TextField } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { enter, enterAs } from './actions';

/** @param to where whoever signs in was going */
export function SignIn({ people, to }: { people: { name: string; role: string; email: string }[]; to: string }) {
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  const byHand = useSend(enter);
  const byPress = useSend((who: string) => enterAs(who, to));
  const busy = byHand.busy || byPress.busy;
  return (
    <>
      {people.length > 0 && (
        <section className="mb-7">
          <h2>Sample company: come in as</h2>
          <ul className="mt-2">
            {people.map((p) => (
              <li key={p.email}>
                <button
                  type="button"
                  disabled={busy}
                  onClick={() => byPress.send(p.email)}
                  className="row flex min-h-14 w-full items-center justify-between gap-3 text-left hover:bg-paper"
                >
                  <span className="font-bold">{p.name}</span>
                  <span className="text-[0.9375rem] text-ink-2">{p.role}</span>
                </button>
              </li>
            ))}
          </ul>
          <FormIssues issues={byPress.issues} />
        </section>
      )}
      <form
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          byHand.send({ email, password, to });
        }}
      >
        <h2 className="mb-3">{people.length ? 'Or with your own name' : 'Sign in'}</h2>
        <FormIssues issues={byHand.issues} known={['email', 'password']} />
        <TextField
          label="E-mail"
          path="email"
          issues={byHand.issues}
          value={email}
          onChange={setEmail}
          type="email"
          autoComplete="username"
          maxLength={200}
        />
        <TextField
          label="Password"
          path="password"
          issues={byHand.issues}
          value={password}
          onChange={setPassword}
          type="password"
          autoComplete="current-password"
          maxLength={200}
        />
        <button className={`press w-full ${people.length ? '' : 'press-main'}`} disabled={busy}>
          {busy ? 'One moment …' : 'Sign in'}
        </button>
      </form>
    </>
  );
}
