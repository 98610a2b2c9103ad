import { writeFileSync } from 'node:fs';
import { z } from 'zod';
import { customFileSchema } from '@/core/custom/custom-file';
import { labelSchema } from '@/core/label/schema';

/** `npm run schema`: writes the published JSON Schemas, of labels and of a file of own knowledge, from the one definition of each. */
for (const [name, schema] of [
  ['label', labelSchema],
  ['knowledge', customFileSchema],
] as const)
  writeFileSync(`docs/${name}.schema.json`, JSON.stringify(z.toJSONSchema(schema, { io: 'input' }), null, 2) + '\n');
