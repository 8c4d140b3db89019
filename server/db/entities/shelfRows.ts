import { defineEntity, p } from '@mikro-orm/core';
import type { KeepOutArea, Keeping, Risks, Trait } from '../../../core/materials/material.ts';
import type { ContentJson, Hazards, SizesJson } from '../json.ts';

export const MaterialRow = defineEntity({
  name: 'MaterialRow',
  tableName: 'material',
  properties: {
    id: p.integer().primary().autoincrement(),
    version: p.integer().version(),
    name: p.string(),
    form: p.string(),
    solid: p.string().nullable(),
    sizes: p.json<SizesJson>(),
    unit: p.string(),
    materialClass: p.string(),
    give: p.float(),
    hazards: p.json<Hazards>(),
    colour: p.string(),
    mass: p.float().nullable(),
    cleaning: p.string().nullable(),
    allergens: p.json<string[]>().nullable(),
    /** What it can do or is. */
    traits: p.json<Trait[]>().nullable(),
    /** Which way grain or flutes run. */
    grain: p.string().nullable(),
    /** Places of its panels that nothing is cut over. */
    keepOut: p.json<KeepOutArea[]>().nullable(),
    /** How long it keeps: hours out, days closed. */
    keeping: p.json<Keeping>().nullable(),
    /** What was measured of a magnet, tried of a battery door, or the length of a string. */
    risks: p.json<Risks>().nullable(),
    catalogue: p.string().nullable(),
    /** Minor units each, or a metre. */
    worth: p.integer().nullable(),
  },
});

/** What came in at one time from one family, in one condition. The count on the shelf is the sum of its lots. */
export const LotRow = defineEntity({
  name: 'LotRow',
  tableName: 'lot',
  properties: {
    id: p.integer().primary().autoincrement(),
    version: p.integer().version(),
    material: () => p.manyToOne(MaterialRow),
    /** How many are left, and how many came. */
    quantity: p.integer(),
    came: p.integer(),
    cameOn: p.string(),
    fromCode: p.string(),
    state: p.string(),
    readyOn: p.string().nullable(),
    reason: p.string(),
    /** Measured sizes in mm; they override the nominal. */
    sizes: p.json<SizesJson>(),
    look: p.json<Record<string, unknown>>().nullable(),
  },
});

export const SupplierRow = defineEntity({
  name: 'SupplierRow',
  tableName: 'supplier',
  properties: {
    id: p.integer().primary().autoincrement(),
    version: p.integer().version(),
    name: p.string(),
    delivery: p.integer(),
    /** Delivery is free from this sum on, minor units. */
    freeFrom: p.integer().nullable(),
  },
});

export const OfferRow = defineEntity({
  name: 'OfferRow',
  tableName: 'offer',
  properties: {
    id: p.integer().primary().autoincrement(),
    name: p.string(),
    version: p.integer().version(),
    supplier: () => p.manyToOne(SupplierRow),
    price: p.integer(),
    contents: p.json<ContentJson[]>(),
    /** The pack's key in the shop's list, where it comes from there. */
    shopKey: p.string().nullable(),
  },
});

/** A price as it was seen on a day. */
export const PriceSeenRow = defineEntity({
  name: 'PriceSeenRow',
  tableName: 'price_seen',
  properties: {
    id: p.integer().primary().autoincrement(),
    offer: () => p.manyToOne(OfferRow),
    seenOn: p.string(),
    price: p.integer(),
    inStock: p.boolean(),
  },
});

/** Packs that were bought at once, and what was paid for them. */
export const PurchaseRow = defineEntity({
  name: 'PurchaseRow',
  tableName: 'purchase',
  properties: {
    id: p.integer().primary().autoincrement(),
    on: p.string().fieldName('bought_on'),
    /** Packs with delivery, minor units. */
    total: p.integer(),
    packs: p.json<{ name: string; supplier: string; count: number; price: number }[]>(),
    /** The design that it was bought for; null where for none. */
    designId: p.integer().nullable(),
  },
});
