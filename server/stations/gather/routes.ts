import { Router } from 'express';
import {
  materialInput,
  materialVersion,
  offerInput,
  stockChange,
  supplierInput,
} from '../../../contract/materials.ts';
import type { Inside } from '../../inside.ts';
import { read, readId } from '../../problem.ts';
import * as gather from './service.ts';

export function gatherRoutes({ inTransaction, em }: Inside): Router {
  const r = Router();
  r.get('/materials', async (_req, res) => void res.json(await gather.listMaterials(em())));
  r.post('/materials', async (req, res) => {
    const input = read(materialInput, req.body);
    res.status(201).json(await inTransaction((m) => gather.addMaterial(m, input)));
  });
  r.put('/materials/:id', async (req, res) => {
    const id = readId(req.params.id, 'material');
    const { version, ...rest } = (req.body ?? {}) as Record<string, unknown>;
    const input = { ...read(materialInput, rest), ...read(materialVersion, { version }) };
    res.json(await inTransaction((m) => gather.updateMaterial(m, id, input)));
  });
  r.post('/materials/:id/stock', async (req, res) => {
    const id = readId(req.params.id, 'material');
    const { by } = read(stockChange, req.body);
    res.json(await inTransaction((m) => gather.changeStock(m, id, by)));
  });
  r.delete('/materials/:id', async (req, res) => {
    const id = readId(req.params.id, 'material');
    await inTransaction((m) => gather.removeMaterial(m, id));
    res.status(204).end();
  });
  r.get('/suppliers', async (_req, res) => void res.json(await gather.listSuppliers(em())));
  r.post('/suppliers', async (req, res) => {
    const input = read(supplierInput, req.body);
    res.status(201).json(await inTransaction((m) => gather.addSupplier(m, input)));
  });
  r.get('/offers', async (_req, res) => void res.json(await gather.listOffers(em())));
  r.post('/offers', async (req, res) => {
    const input = read(offerInput, req.body);
    res.status(201).json(await inTransaction((m) => gather.saveOffer(m, input)));
  });
  r.put('/offers/:id', async (req, res) => {
    const id = readId(req.params.id, 'offer');
    const input = read(offerInput, req.body);
    res.json(await inTransaction((m) => gather.saveOffer(m, input, id)));
  });
  r.delete('/offers/:id', async (req, res) => {
    const id = readId(req.params.id, 'offer');
    await inTransaction((m) => gather.removeOffer(m, id));
    res.status(204).end();
  });
  return r;
}
