import { RESOURCES, RESOURCE_NAMES } from '@fine-spray/contract';
import { schemaOf } from './rowChecks';

it('every list is checked by the schema of its resource', () => {
  for (const name of RESOURCE_NAMES)
    expect([name, schemaOf(name) === RESOURCES[name].row]).toEqual([name, true]);
});
