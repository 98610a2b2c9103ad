/** What a carrier takes: to whom, as they gave their contact, and what. */
export interface ToCarry {
  id: string;
  to: string;
  subject: string;
  body: string;
}
/**
 * What Elmhorn asks of whoever carries messages to clients. A real one (mail, text messages) takes the place of the simulated
 * one behind this; what it does not take waits and is asked again.
 * @returns what the carrier says it took, to be kept beside the message; null where it did not take it
 */
export type Carrier = (message: ToCarry) => Promise<string | null>;

/** Takes every message that says to whom, and says so; nothing leaves this machine. */
export const simulatedCarrier: Carrier = async ({ id, to }) => (to.trim() ? `taken-${id.slice(-8)}` : null);
