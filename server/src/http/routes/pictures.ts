/** Routes: pictures taken in, matched, put in place, made of others, handed out, and cleared away. */
import { readFile, rm } from 'node:fs/promises';
import type { Express } from 'express';
import { endpoints as api } from '@loom-kin/contract';
import { Refusal } from '@loom-kin/core/refusal';
import { loadFamily } from '../../store/loadFamily';
import { readJob } from '../../jobs/jobs';
import { requireIntake, readIntakes, settleArrivals } from '../../pictureIntakes/arrivals';
import { noteCombined } from '../../pictures/noteCombined';
import { factsOf } from '../../pictures/pictureFacts';
import { pictureFile } from '../../pictures/pictureFiles';
import { placePictures } from '../../pictureIntakes/placePictures';
import { placesOf, readIntake } from '../../pictureIntakes/proposals';
import { editPicture, takePicture } from '../../pictures/takePicture';
import { clearPictures, unusedPictures } from '../../pictures/unused';
import { incomingFolder, pictureFolder } from '../../store/store';
import { inTransaction } from '../../store/database';
import type { Parts } from '../parts';
import { mount } from '../mount';
import { fileNameOf, manyFiles, manyPictures, requireLength, pathOf } from '../upload';

export function mountPictures(app: Express, parts: Parts): void {
  const { store, pictures, pictureIntakes, writer } = parts;
  const folder = incomingFolder(store);
  mount(
    app,
    api.addPictures,
    async ({ request }) => {
      const taken = [];
      for (const file of (request.files ?? []) as Express.Multer.File[]) {
        const fileName = fileNameOf(file);
        try {
          const picture = await takePicture(store, pictures, fileName, await readFile(file.path));
          taken.push({ fileName, picture, problem: null });
        } catch (error) {
          if (!(error instanceof Refusal)) throw error;
          taken.push({ fileName, picture: null, problem: error.message });
        } finally {
          await rm(file.path, { force: true });
        }
      }
      return taken;
    },
    manyPictures(folder),
  );
  mount(app, api.editPicture, ({ params, body }) => editPicture(store, pictures, params.id, body));
  mount(app, api.noteCombined, ({ body }) => ({ ids: noteCombined(store.database, body.pictures) }));
  mount(app, api.unusedPictures, () => unusedPictures(store));
  mount(app, api.clearPictures, ({ body }) => clearPictures(store, body.ids));
  mount(
    app,
    api.bringPictures,
    ({ query, request }) => {
      const files = ((request.files ?? []) as Express.Multer.File[]).map((file) => ({
        file: file.filename,
        fileName: pathOf(file),
      }));
      return pictureIntakes.start({ files, addresses: [], familyId: query.family ?? null });
    },
    requireLength,
    manyFiles(folder),
  );
  mount(app, api.fetchPictures, ({ body }) =>
    pictureIntakes.start({ files: [], addresses: [...new Set(body.addresses)], familyId: body.family ?? null }),
  );
  mount(app, api.pictureIntakes, () =>
    readIntakes(store.database).map(({ id, pictures: count, problems }) => ({
      job: readJob(store.database, id),
      pictures: count,
      problems,
    })),
  );
  mount(app, api.pictureIntake, ({ params }) => readIntake(store, params.id));
  mount(app, api.settlePictures, ({ params, body }) => {
    requireIntake(store.database, params.id);
    inTransaction(store.database, () => {
      for (const { at, to } of body.settle) settleArrivals(store.database, params.id, at, to);
    });
    return { ok: true as const };
  });
  mount(app, api.placePictures, ({ params, body }) => placePictures(store, writer, params.id, body));
  mount(app, api.putAwayPictures, ({ params }) => {
    pictureIntakes.putAway(params.id);
    return { ok: true as const };
  });
  mount(app, api.picturePlaces, ({ params }) => placesOf(loadFamily(store.database, params.id)));
  mountFiles(app, parts);
}

/** The files themselves, under their digest: what has it never changes. */
function mountFiles(app: Express, { store, pictures }: Parts): void {
  /** A picture that is put together is drawn the first time somebody asks for it. */
  async function drawn(id: string, size: 'full' | 'small'): Promise<string | undefined> {
    const facts = factsOf(store.database, [id])[id];
    if (!facts?.combined) return undefined;
    await pictures.combine(facts);
    return pictureFile(pictureFolder(store), id, size);
  }
  app.get('/pictures/:file', async (request, response) => {
    const match = /^([0-9a-f]{24})(\.small)?(\.(png|jpg|webp))?$/.exec(request.params.file ?? '');
    const root = pictureFolder(store);
    const size = match?.[2] ? 'small' : 'full';
    const file = match && (pictureFile(root, match[1]!, size) ?? (await drawn(match[1]!, size)));
    if (!file) {
      const { code, message } = new Refusal('picture.unknown', {});
      response.status(404).json({ code, message });
      return;
    }
    response.sendFile(file, { root, maxAge: '365d', immutable: true });
  });
}
