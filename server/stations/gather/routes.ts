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
import { boughtInput, shopTake } from '../../../contract/shop.ts';
import type { ServerContext } from '../../serverContext.ts';
import { read, readId } from '../../problem.ts';
import { pageOf, sendPage, setPage } from '../../paging.ts';
import { sendList } from '../../sendList.ts';
import * as gather from './service.ts';
import * as lots from './lots.ts';
import { bought } from './bought.ts';
import * as prices from './prices.ts';
import { may, mayRead } from '../../people/door.ts';

export function gatherRoutes({ inTransaction, em, today }: ServerContext): Router {
  const r = Router();
  r.get('/materials', mayRead, async (req, res) => {
    const query = read(z.strictObject(pageOf(1_000_000)), req.query);
    const { items, ...page } = await gather.pageOfMaterials(em(), today(), query);
    setPage(req, res, page);
    await sendList(res, items);
  });
  r.post('/materials', may('designs', 'put something on the shelf'), async (req, res) => {
    const input = read(materialInput, req.body);
    res.status(201).json(await inTransaction((m) => gather.addMaterial(m, input, today())));
  });
  r.put('/materials/:id', may('designs', 'changed the shelf'), async (req, res) => {
    const id = readId(req.params.id, 'material');
    // Figures that follow from the lots come along when a material is read and sent back; they are no wish.
    const {
      version,
      waiting: _,
      measured: __,
      clean: ___,
      ...rest
    } = (req.body ?? {}) as Record<string, unknown>;
    // The count changes by what comes in and goes out, so an overwrite need not say it.
    const saysKept = rest.kept !== undefined;
    const input = { ...read(materialInput, { kept: 0, ...rest }), ...read(materialVersion, { version }) };
    res.json(await inTransaction((m) => gather.updateMaterial(m, id, input, today(), saysKept)));
  });
  r.post('/materials/:id/stock', may('designs', 'put something on the shelf'), async (req, res) => {
    const id = readId(req.params.id, 'material');
    const { by } = read(stockChange, req.body);
    res.json(await inTransaction((m) => gather.changeStock(m, id, by, today())));
  });
  r.delete('/materials/:id', may('designs', 'changed the shelf'), async (req, res) => {
    const id = readId(req.params.id, 'material');
    await inTransaction((m) => gather.removeMaterial(m, id));
    res.status(204).end();
  });
  r.get('/lots', mayRead, async (req, res) => {
    sendPage(req, res, await lots.listLots(em(), read(lotQuery, req.query)));
  });
  r.post('/finds', may('designs', 'put something on the shelf'), async (req, res) => {
    const input = read(findInput, req.body);
    res.status(201).json(await inTransaction((m) => lots.takeFind(m, input, today())));
  });
  r.put('/lots/:id', may('designs', 'changed the shelf'), async (req, res) => {
    const id = readId(req.params.id, 'lot');
    const input = read(lotUpdate, req.body);
    res.json(await inTransaction((m) => lots.updateLot(m, id, input)));
  });
  r.delete('/lots/:id', may('designs', 'changed the shelf'), async (req, res) => {
    const id = readId(req.params.id, 'lot');
    await inTransaction((m) => lots.removeLot(m, id));
    res.status(204).end();
  });
  r.get('/suppliers', mayRead, async (req, res) => {
    sendPage(req, res, await gather.pageOfSuppliers(em(), read(z.strictObject(pageOf(20_000)), req.query)));
  });
  r.post('/suppliers', may('designs', 'changed packs and prices'), async (req, res) => {
    const input = read(supplierInput, req.body);
    res.status(201).json(await inTransaction((m) => gather.addSupplier(m, input)));
  });
  r.put('/suppliers/:id', may('designs', 'changed packs and prices'), async (req, res) => {
    const id = readId(req.params.id, 'supplier');
    const input = read(supplierUpdate, req.body);
    res.json(await inTransaction((m) => gather.updateSupplier(m, id, input)));
  });
  r.get('/offers', mayRead, async (req, res) => {
    sendPage(req, res, await gather.pageOfOffers(em(), read(z.strictObject(pageOf(20_000)), req.query)));
  });
  r.post('/offers', may('designs', 'changed packs and prices'), async (req, res) => {
    const input = read(offerInput, req.body);
    res.status(201).json(await inTransaction((m) => prices.keepOffer(m, input, today())));
  });
  r.put('/offers/:id', may('designs', 'changed packs and prices'), async (req, res) => {
    const id = readId(req.params.id, 'offer');
    const input = read(offerUpdate, req.body);
    res.json(await inTransaction((m) => prices.keepOffer(m, input, today(), id)));
  });
  r.get('/prices', mayRead, async (req, res) => {
    sendPage(req, res, await prices.priceHistory(em(), read(prices.priceQuery, req.query)));
  });
  r.get('/shop', mayRead, async (_req, res) => void res.json(await prices.shopListOf(em(), today())));
  r.post('/purchases', may('designs', 'took a purchase in'), async (req, res) => {
    const input = read(boughtInput, req.body);
    res.status(201).json(await inTransaction((m) => bought(m, input, today())));
  });
  r.post('/shop/packs', may('designs', 'changed packs and prices'), async (req, res) => {
    const { key } = read(shopTake, req.body);
    res.status(201).json(await inTransaction((m) => prices.followPack(m, key, today())));
  });
  r.post('/shop/refresh', may('designs', 'changed packs and prices'), async (req, res) => {
    read(z.strictObject({}), req.body ?? {});
    res.json(await inTransaction((m) => prices.refreshPrices(m, today())));
  });
  r.delete('/offers/:id', may('designs', 'changed packs and prices'), async (req, res) => {
    const id = readId(req.params.id, 'offer');
    await inTransaction((m) => gather.removeOffer(m, id));
    res.status(204).end();
  });
  return r;
}
