/** Every endpoint of the HTTP API, a file a subject. */
import { boardEndpoints } from './board';
import { changeEndpoints } from './changes';
import { conditionEndpoints } from './conditions';
import { dispatchEndpoints } from './dispatches';
import { exportEndpoints } from './export';
import { familyEndpoints } from './families';
import { intakeEndpoints } from './intake';
import { jobEndpoints } from './jobs';
import { layoutEndpoints } from './layouts';
import { listEndpoints } from './lists';
import { pictureEndpoints } from './pictures';
import { setupEndpoints } from './setup';

export const endpoints = {
  ...setupEndpoints,
  ...familyEndpoints,
  ...boardEndpoints,
  ...changeEndpoints,
  ...conditionEndpoints,
  ...intakeEndpoints,
  ...listEndpoints,
  ...exportEndpoints,
  ...dispatchEndpoints,
  ...jobEndpoints,
  ...layoutEndpoints,
  ...pictureEndpoints,
};
