/** Every endpoint of the HTTP API, a file a subject. */
import { changeEndpoints } from './changes';
import { conditionEndpoints } from './conditions';
import { dispatchEndpoints } from './dispatches';
import { familyEndpoints } from './families';
import { intakeEndpoints } from './intake';
import { jobEndpoints } from './jobs';
import { layoutEndpoints } from './layouts';
import { setupEndpoints } from './setup';

export const endpoints = {
  ...setupEndpoints,
  ...familyEndpoints,
  ...changeEndpoints,
  ...conditionEndpoints,
  ...intakeEndpoints,
  ...dispatchEndpoints,
  ...jobEndpoints,
  ...layoutEndpoints,
};
