/** @jest-environment jsdom */
import { act, cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { hydrateRoot } from 'react-dom/client';
import { renderToString } from 'react-dom/server';
import { FilePress } from './file.client';

afterEach(cleanup);
const file = new File(['a;b'], 'trees.csv', { type: 'text/csv' });
const press = (taken: string[]) => <FilePress label="Bring" accept=".csv" onFile={(f) => taken.push(f.name)} />;

it('a file is taken once, and the same one may be chosen again', async () => {
  const taken: string[] = [];
  render(press(taken));
  const input = screen.getByLabelText('Bring');
  await userEvent.upload(input, file);
  await userEvent.upload(input, file);
  expect(taken).toEqual(['trees.csv', 'trees.csv']);
});

it('one that was chosen before the page had its script is taken once it has it', async () => {
  const taken: string[] = [];
  const page = document.createElement('div');
  document.body.append(page);
  page.innerHTML = renderToString(press(taken));
  await userEvent.upload(page.querySelector('input')!, file);
  expect(taken).toEqual([]);
  const root = await act(async () => hydrateRoot(page, press(taken)));
  expect(taken).toEqual(['trees.csv']);
  await act(async () => root.unmount());
  page.remove();
});
