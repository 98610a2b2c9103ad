import { writeFileSync } from 'node:fs';
import { z } from 'zod';
import { labelSchema } from '@/core/label/schema';

/** `npm run schema`: writes the published JSON Schema of labels from the one definition. */
writeFileSync('docs/label.schema.json', JSON.stringify(z.toJSONSchema(labelSchema, { io: 'input' }), null, 2) + '\n');
