import { Router } from 'express';
import { z } from 'zod';
import {
  materialInput,
  materialVersion,
  offerInput,
  offerUpdate,
  stockChange,
  supplierInput,
  supplierUpdate,
} from '../../../contract/materials.ts';
import { findInput, lotQuery, lotUpdate } from '../../../contract/lots.ts';
import { listInput } from '../../../contract/list.ts';
import { starterInput } from '../../../contract/starter.ts';
import { boughtInput, purchaseQuery, shopTake } from '../../../contract/shop.ts';
import type { ServerContext } from '../../serverContext.ts';
import { read } from '../../problem.ts';
import { pageOf, setPage } from '../../paging.ts';
import { sendList } from '../../sendList.ts';
import * as gather from './service.ts';
import * as offers from './offers.ts';
import * as lots from './lots.ts';
import { bought, listPurchases } from './bought.ts';
import { columnsKnown, lookAtList, takeList } from './list.ts';
import { takeDemoShelf, takeStarter } from './starter.ts';
import * as prices from './prices.ts';
import { Doors, NOTHING } from '../../people/door.ts';

export function gatherRoutes({ inTransaction, em, today }: ServerContext): Router {
  const r = new Doors();
  r.get(
    '/materials',
    {
      about:
        'the shelf; `PUT` with the version. `materials` has a list of kinds for each role. `kept`, `waiting`, `clean` and `measured` follow from the lots: a `PUT` that says another `kept` is a 409. `worth` is what a find counts for, each or a metre. One with lots on record is not deleted',
      query: z.strictObject(pageOf(1_000_000)),
    },
    async ({ req, res, query }) => {
      const { items, ...page } = await gather.pageOfMaterials(em(), today(), query);
      setPage(req, res, page);
      await sendList(res, items);
    },
  );
  r.post(
    '/materials',
    {
      about: 'see `GET /materials`',
      role: 'designer',
      does: 'put something on the shelf',
      body: materialInput,
      status: 201,
    },
    ({ body: input }) => inTransaction((m) => gather.addMaterial(m, input, today())),
  );
  r.post(
    '/materials/starter',
    {
      about:
        'a first shelf: kinds of the catalogue with how many there are, all or none: `{added, left}`. One whose name is there already is left as it is',
      role: 'designer',
      does: 'put something on the shelf',
      body: starterInput,
      status: 201,
    },
    ({ body: input }) => inTransaction((m) => takeStarter(m, input, today())),
  );
  r.get('/materials/list', { about: "what headings of somebody's own lists meant before, by heading" }, () =>
    columnsKnown(em()),
  );
  r.post(
    '/materials/list/look',
    {
      about:
        "somebody's own list as it was understood, before it is taken in: `{added, more, taken}`: new kinds, rows that add to kinds that are there, and the day on which the same list came in before",
      role: 'designer',
      body: listInput,
    },
    ({ body: input }) => lookAtList(em(), input),
  );
  r.post(
    '/materials/list',
    {
      about:
        "takes somebody's own list in, all or nothing: new kinds, a lot for each row with a count, and what its headings meant",
      role: 'designer',
      does: 'put something on the shelf',
      body: listInput,
      status: 201,
    },
    ({ body: input }) => inTransaction((m) => takeList(m, input, today())),
  );
  r.post(
    '/materials/demo',
    {
      about: "the demo's shelf with its packs, invented, to try with: on an empty shelf only, else 409",
      role: 'designer',
      does: 'put something on the shelf',
      body: NOTHING,
      status: 201,
    },
    () => inTransaction((m) => takeDemoShelf(m, today())),
  );
  r.put(
    '/materials/:id',
    {
      about: 'see `GET /materials`',
      role: 'designer',
      does: 'changed the shelf',
      id: 'material',
      body: z.looseObject({}),
    },
    ({ id, body }) => {
      // Figures that follow from the lots come along when a material is read and sent back; they are no wish.
      const { version, waiting: _, measured: __, clean: ___, ...rest } = body;
      // The count changes by what comes in and goes out, so an overwrite need not say it.
      const saysKept = rest.kept !== undefined;
      const input = { ...read(materialInput, { kept: 0, ...rest }), ...read(materialVersion, { version }) };
      return inTransaction((m) => gather.updateMaterial(m, id, input, today(), saysKept));
    },
  );
  r.post(
    '/materials/:id/stock',
    {
      about: 'some came in, or were used up, the oldest lot first; never below 0',
      role: 'designer',
      does: 'put something on the shelf',
      id: 'material',
      body: stockChange,
    },
    ({ id, body: { by } }) => inTransaction((m) => gather.changeStock(m, id, by, today())),
  );
  r.delete(
    '/materials/:id',
    { about: 'see `GET /materials`', role: 'designer', does: 'changed the shelf', id: 'material' },
    async ({ id }) => {
      await inTransaction((m) => gather.removeMaterial(m, id));
    },
  );
  r.get(
    '/lots',
    {
      about: 'what came in, the latest first; counted, measured, cleaned or rested, with the version',
      query: lotQuery,
      isPage: true,
    },
    ({ query }) => lots.listLots(em(), query),
  );
  r.post(
    '/finds',
    {
      about:
        'a find as it was looked over: `{lot, material, outcome, until, reasons}`. What is refused is kept on record, never on the shelf',
      role: 'designer',
      does: 'put something on the shelf',
      body: findInput,
      status: 201,
    },
    ({ body: input }) => inTransaction((m) => lots.takeFind(m, input, today())),
  );
  r.put(
    '/lots/:id',
    { about: 'see `GET /lots`', role: 'designer', does: 'changed the shelf', id: 'lot', body: lotUpdate },
    ({ id, body: input }) => inTransaction((m) => lots.updateLot(m, id, input)),
  );
  r.delete(
    '/lots/:id',
    { about: 'see `GET /lots`', role: 'designer', does: 'changed the shelf', id: 'lot' },
    async ({ id }) => {
      await inTransaction((m) => lots.removeLot(m, id));
    },
  );
  r.get(
    '/suppliers',
    {
      about: 'packs and prices; `PUT` with the `version` that was read, else 409',
      query: z.strictObject(pageOf(20_000)),
      isPage: true,
    },
    ({ query }) => offers.pageOfSuppliers(em(), query),
  );
  r.post(
    '/suppliers',
    {
      about: 'see `GET /suppliers`',
      role: 'designer',
      does: 'changed packs and prices',
      body: supplierInput,
      status: 201,
    },
    ({ body: input }) => inTransaction((m) => offers.addSupplier(m, input)),
  );
  r.put(
    '/suppliers/:id',
    {
      about: 'see `GET /suppliers`',
      role: 'designer',
      does: 'changed packs and prices',
      id: 'supplier',
      body: supplierUpdate,
    },
    ({ id, body: input }) => inTransaction((m) => offers.updateSupplier(m, id, input)),
  );
  r.get(
    '/offers',
    { about: 'see `GET /suppliers`', query: z.strictObject(pageOf(20_000)), isPage: true },
    ({ query }) => offers.pageOfOffers(em(), query),
  );
  r.post(
    '/offers',
    {
      about: 'see `GET /suppliers`',
      role: 'designer',
      does: 'changed packs and prices',
      body: offerInput,
      status: 201,
    },
    ({ body: input }) => inTransaction((m) => prices.keepOffer(m, input, today())),
  );
  r.put(
    '/offers/:id',
    {
      about: 'see `GET /suppliers`',
      role: 'designer',
      does: 'changed packs and prices',
      id: 'offer',
      body: offerUpdate,
    },
    ({ id, body: input }) => inTransaction((m) => prices.keepOffer(m, input, today(), id)),
  );
  r.get(
    '/prices',
    { about: 'every price as it was seen, by day', query: prices.priceQuery, isPage: true },
    ({ query }) => prices.priceHistory(em(), query),
  );
  r.get(
    '/shop',
    { about: "the simulated shop's list of the week; follow a pack; read the lists since the last time" },
    () => prices.shopListOf(em(), today()),
  );
  r.get(
    '/purchases',
    {
      about:
        'what was bought, the latest first: packs with their price, and the total with delivery, minor units; `design` for one design',
      query: purchaseQuery,
      isPage: true,
    },
    ({ query }) => listPurchases(em(), query),
  );
  r.post(
    '/purchases',
    {
      about:
        'what was bought goes on the shelf, a lot for each content of each pack, with its price; all or nothing. `designId` says for which design',
      role: 'designer',
      does: 'took a purchase in',
      isUndoable: true,
      body: boughtInput,
      status: 201,
    },
    ({ body: input }) => inTransaction((m) => bought(m, input, today())),
  );
  r.post(
    '/shop/packs',
    {
      about: 'see `GET /shop`',
      role: 'designer',
      does: 'changed packs and prices',
      body: shopTake,
      status: 201,
    },
    ({ body: { key } }) => inTransaction((m) => prices.followPack(m, key, today())),
  );
  r.post(
    '/shop/refresh',
    { about: 'see `GET /shop`', role: 'designer', does: 'changed packs and prices', body: NOTHING },
    () => inTransaction((m) => prices.refreshPrices(m, today())),
  );
  r.delete(
    '/offers/:id',
    { about: 'see `GET /suppliers`', role: 'designer', does: 'changed packs and prices', id: 'offer' },
    async ({ id }) => {
      await inTransaction((m) => offers.removeOffer(m, id));
    },
  );
  return r.router;
}
