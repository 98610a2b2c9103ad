/**
 * The machine that asks: whoever connected, or, behind proxies of our own, whoever connected to the outermost of them.
 * What a stranger writes into the header stands further left and is never reached.
 * @param header `X-Forwarded-For` as it came
 * @param remote the address of the connection
 * @param proxies how many proxies of our own stand in front
 * @example addressOf('6.6.6.6, 9.9.9.9', '10.0.0.1', 1) // '9.9.9.9'
 */
export function addressOf(header: string | null, remote: string, proxies: number): string {
  const chain = [...(header ?? '').split(',').map((x) => x.trim()), remote].filter(Boolean);
  return (chain[Math.max(0, chain.length - 1 - proxies)] ?? remote).slice(0, 100);
}
