import { tooEasy } from './password';

it('what is quickly guessed is refused with a sentence; words that do not belong together pass', async () => {
  const about = ['Maren Tolgarth', 'maren@oxmere.example', 'Oxmere Tree Care'];
  for (const easy of ['aaaaaaaaaa', '1234567890', 'password123', 'maren-tolgarth', 'OxmereTreeCare', 'qwertyuiop'])
    expect([easy, await tooEasy(easy, about)]).toEqual([
      easy,
      expect.stringMatching(/^This is quickly guessed\. .{5,}/),
    ]);
  for (const good of ['walnut harbour seventeen spoon', 'k3!vTq9#zzLp'])
    expect([good, await tooEasy(good, about)]).toEqual([good, null]);
});
