/** @jest-environment jsdom */
import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { answerInspection, skipVisits, moveVisits } from '../../actions';
import { AnswerInspection, LeaveOut, MoveVisits } from './assigned.client';

jest.mock('next/navigation', () => ({ useRouter: () => ({ refresh: jest.fn(), push: jest.fn() }) }));
jest.mock('../../actions', () => ({
  answerInspection: jest.fn(async () => ({ ok: true, value: null })),
  skipVisits: jest.fn(),
  moveVisits: jest.fn(),
  endAssignment: jest.fn(),
  followSeason: jest.fn(),
  overrideHolds: jest.fn(),
  settleSkippedVisits: jest.fn(),
}));
const press = (name: RegExp | string) => fireEvent.click(screen.getByRole('button', { name }));

describe('a look of a programme', () => {
  const looks = [
    { id: 'a', tag: '001' },
    { id: 'b', tag: '002' },
    { id: 'c', tag: '003' },
  ];
  it('is answered on all its trees in one press', async () => {
    render(<AnswerInspection decides found="young larvae feed" looks={looks} />);
    press(/^Yes on all 3/);
    await waitFor(() => expect(answerInspection).toHaveBeenLastCalledWith({ visitIds: ['a', 'b', 'c'], found: true }));
  });
  it('or on those that are ticked alone; with none ticked nothing can be said', async () => {
    render(<AnswerInspection decides found="young larvae feed" looks={looks} />);
    press('Only on some');
    expect(screen.getByRole<HTMLButtonElement>('button', { name: /^Yes on 0/ }).disabled).toBe(true);
    fireEvent.click(screen.getByLabelText('002'));
    press(/^No on 1 ticked/);
    await waitFor(() => expect(answerInspection).toHaveBeenLastCalledWith({ visitIds: ['b'], found: false }));
  });
  it('one that decides nothing is only done', () => {
    render(<AnswerInspection decides={false} found="" looks={looks.slice(0, 1)} />);
    expect(screen.getAllByRole('button').map((b) => b.textContent?.trim())).toEqual(['Done']);
  });
});

it('what is left out without a reason is told beside its field, and stays there', async () => {
  jest
    .mocked(skipVisits)
    .mockResolvedValueOnce({ ok: false, issues: [{ path: 'because', message: 'Say why it is left out.' }] });
  render(<LeaveOut visitIds={['a', 'b']} />);
  press('Leave these 2 out');
  expect(await screen.findByText('Say why it is left out.')).toBeTruthy();
  expect(skipVisits).toHaveBeenCalledWith({ visitIds: ['a', 'b'], because: '' });
});

it('a visit is moved once another day is chosen, and what that breaks is told', async () => {
  const sentence = 'E1: not before 8 Apr 2027, by its label and what stands before it.';
  jest.mocked(moveVisits).mockResolvedValueOnce({ ok: false, issues: [{ path: 'visitIds.a', message: sentence }] });
  render(<MoveVisits visitIds={['a']} day="2027-04-11" today="2026-11-26" />);
  expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Move it' }).disabled).toBe(true);
  fireEvent.change(screen.getByLabelText('Move to'), { target: { value: '2027-04-04' } });
  fireEvent.change(screen.getByLabelText('Why'), { target: { value: 'A wedding.' } });
  press('Move it');
  expect(await screen.findByText(sentence)).toBeTruthy();
  expect(moveVisits).toHaveBeenCalledWith({ visitIds: ['a'], day: '2027-04-04', because: 'A wedding.' });
});
