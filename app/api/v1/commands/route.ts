import { z } from 'zod';
import { COMMANDS } from '@/commands';
import { route } from '../../../_server/api';

/** Every command with its address and the JSON Schema of what it is told. */
export const GET = route(null, () =>
  Promise.resolve(
    Response.json(
      COMMANDS.map((c) => ({
        name: c.name,
        address: `/api/v1/commands/${c.name}`,
        right: c.right,
        repeatable: c.once !== undefined,
        input: z.toJSONSchema(c.schema as z.ZodType, { io: 'input', unrepresentable: 'any' }),
      })),
    ),
  ),
);
