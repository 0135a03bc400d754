import { expect, it } from 'vitest';
import { fieldTables } from './field-tables';
import { SCENE_VERSION } from './document';

const HEAD = `# Fields of the scene document

Version ${SCENE_VERSION}. Made from the records in \`src/core/scene/records/\`: where one changes, \`npx vitest run field-tables -u\`
writes this page anew. A field with a default may be left out. How they work together is told in [formats](formats.md) and [light](light.md).

`;

it('docs/fields.md has every field as the records have it', async () => {
  await expect(`${HEAD}${fieldTables()}`).toMatchFileSnapshot('../../../docs/fields.md');
});
