/** Pictures: where they stand, which are missing, and matching files to places. */
export { proposedText } from './altText';
export { ANGLES, ANGLE_LABELS, type Angle } from './angles';
export { COMBINED_SIDE, type Combined, CombinedSchema, combinedId } from './combine';
export { angleOfPicture, coverageOf } from './coverage';
export { blurOf } from './look/blur';
export { goodsIn } from './look/goods';
export { HASHED_SIDE, hashDistance, perceptualHash } from './look/perceptualHash';
export type { Pixels } from './look/pixels';
export { type PictureCatalogue, openPictureCatalogue } from './match/catalogue';
export type { PictureMatch } from './match/match';
export { inPictureOrder, matchPictures } from './match/matchPictures';
export { carriersOf, placesOfPicture } from './notes';
export {
  type PictureEdit,
  PictureEditSchema,
  type PictureFacts,
  PictureFactsSchema,
  type PictureLook,
} from './pictureFacts';
export {
  allPictures,
  childrenWithoutPicture,
  facePicture,
  mainPicture,
  particularPictures,
  picturesAt,
  picturesOf,
  withPictureIds,
} from './picturesOf';
