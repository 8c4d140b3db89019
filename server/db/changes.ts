/** Adds a statement to a change of the layout. */
type Add = (sql: string) => void;

/** The first shelf. Rules that matter are constraints here too, not only in code. */
function start(add: Add): void {
  add(
    `create table "place" ("id" integer not null primary key check ("id" = 1), "version" integer not null default 1, "name" text not null, "length_unit" text not null check ("length_unit" in ('mm', 'in')), "market" text not null, "approach" text not null, "paper" text not null, "loan_days" integer not null check ("loan_days" > 0))`,
  );
  add(
    `insert into "place" ("id", "name", "length_unit", "market", "approach", "paper", "loan_days") values (1, 'Our cart', 'mm', 'strictest of both', 'prepared shelf', 'A4', 14)`,
  );
  add(
    `create table "material" ("id" integer not null primary key autoincrement, "version" integer not null default 1, "name" text not null, "form" text not null, "solid" text null, "sizes" json not null, "unit" text not null check ("unit" in ('each', 'mm')), "kept" integer not null check ("kept" >= 0), "material_class" text not null, "give" real not null, "hazards" json not null, "colour" text not null)`,
  );
  add('create unique index "material_name" on "material" ("name" collate nocase)');
  add(
    'create table "supplier" ("id" integer not null primary key autoincrement, "name" text not null, "delivery" integer not null check ("delivery" >= 0))',
  );
  add('create unique index "supplier_name" on "supplier" ("name" collate nocase)');
  add(
    'create table "offer" ("id" integer not null primary key autoincrement, "name" text not null, "supplier_id" integer not null references "supplier" ("id"), "price" integer not null check ("price" >= 0), "contents" json not null)',
  );
  add(
    `create table "design" ("id" integer not null primary key autoincrement, "version" integer not null default 1, "name" text not null, "pattern" text not null, "for_group" text not null, "age_from" integer not null, "age_to" integer not null, "skill" text not null, "copies" integer not null check ("copies" > 0), "dials" json not null, "materials" json not null)`,
  );
  add(
    'create table "build" ("id" integer not null primary key autoincrement, "design_id" integer not null references "design" ("id"), "copies" integer not null check ("copies" > 0), "built_on" text not null, "used" json not null)',
  );
  add(
    'create table "copy" ("id" integer not null primary key autoincrement, "label" text not null, "design_id" integer not null references "design" ("id"), "build_id" integer null references "build" ("id"), "repair" integer not null default 0, "parts" json not null, "last_counted" text null)',
  );
  add('create unique index "copy_label" on "copy" ("label")');
  add('create index "copy_design" on "copy" ("design_id")');
  add(
    'create table "borrower" ("id" integer not null primary key autoincrement, "name" text not null, "group_name" text not null)',
  );
  add('create unique index "borrower_name" on "borrower" ("name" collate nocase)');
  add(
    'create table "loan" ("id" integer not null primary key autoincrement, "copy_id" integer not null references "copy" ("id"), "borrower_id" integer not null references "borrower" ("id"), "lent_on" text not null, "due_on" text not null, "returned_on" text null, "counted" json null, "outcome" text null)',
  );
  add('create unique index "loan_one_open_per_copy" on "loan" ("copy_id") where "returned_on" is null');
  add('create index "loan_copy" on "loan" ("copy_id")');
  add(
    'create table "note" ("id" integer not null primary key autoincrement, "design_id" integer not null references "design" ("id"), "child" text not null, "rung" text not null, "bits" real not null, "seconds" real not null check ("seconds" > 0), "pieces" integer not null, "help" text not null, "words" text not null, "sat_on" text not null)',
  );
  add('create index "note_design" on "note" ("design_id", "sat_on")');
}

/** Stock by lots: what was counted so far becomes one lot a material. Shop prices, and what a place decides for itself. */
function lots(add: Add): void {
  add(
    `create table "lot" ("id" integer not null primary key autoincrement, "version" integer not null default 1, "material_id" integer not null references "material" ("id") on delete cascade, "quantity" integer not null check ("quantity" >= 0 and "quantity" <= "came"), "came" integer not null, "came_on" text not null, "from_code" text not null default '', "state" text not null check ("state" in ('ready', 'clean first', 'resting', 'never')), "ready_on" text null, "reason" text not null default '', "sizes" json not null, "look" json null, check (("state" = 'resting') = ("ready_on" is not null)))`,
  );
  add('create index "lot_material" on "lot" ("material_id", "state", "came_on")');
  add('create index "lot_came_on" on "lot" ("came_on")');
  add(
    `insert into "lot" ("material_id", "quantity", "came", "came_on", "state", "reason", "sizes") select "id", "kept", "kept", date('now'), 'ready', 'counted before lots were kept', '{}' from "material" where "kept" > 0`,
  );
  add('alter table "material" drop column "kept"');
  add('alter table "material" add column "mass" real null');
  add('alter table "material" add column "cleaning" text null');
  add('alter table "material" add column "allergens" json null');
  add('alter table "material" add column "catalogue" text null');
  add('alter table "offer" add column "shop_key" text null');
  add('create unique index "offer_shop_key" on "offer" ("shop_key") where "shop_key" is not null');
  add(
    'create table "price_seen" ("id" integer not null primary key autoincrement, "offer_id" integer not null references "offer" ("id") on delete cascade, "seen_on" text not null, "price" integer not null check ("price" >= 0), "in_stock" integer not null)',
  );
  add('create unique index "price_seen_day" on "price_seen" ("offer_id", "seen_on")');
  add('alter table "design" add column "on_bench" integer not null default 1');
  for (const column of ['toilet_rolls', 'egg_cartons'])
    add(
      `alter table "place" add column "${column}" text not null default 'rest' check ("${column}" in ('keep', 'rest', 'never'))`,
    );
  add(
    'alter table "place" add column "rest_days" integer not null default 3 check ("rest_days" between 1 and 60)',
  );
}

/**
 * A batch knows how many of it are made; what a find is worth; money and dates as the place writes them; every count of a
 * kit stays on record, with what was filled and from which lots; the foreign keys that are searched have an index.
 */
function oneTruth(add: Add): void {
  add('alter table "design" add column "made" integer not null default 0 check ("made" >= 0)');
  add('alter table "material" add column "worth" integer null check ("worth" >= 0)');
  add(`alter table "place" add column "currency" text not null default 'EUR'`);
  add(`alter table "place" add column "locale" text not null default 'en-GB'`);
  add(
    'create table "count" ("id" integer not null primary key autoincrement, "copy_id" integer not null references "copy" ("id"), "loan_id" integer null references "loan" ("id"), "counted_on" text not null, "parts" json not null, "outcome" text not null, "filled" json not null)',
  );
  add('create index "count_copy" on "count" ("copy_id", "id")');
  add('create index "count_loan" on "count" ("loan_id")');
  add(
    `insert into "count" ("copy_id", "loan_id", "counted_on", "parts", "outcome", "filled") select "copy_id", "id", "returned_on", "counted", coalesce("outcome", 'shelve'), '[]' from "loan" where "returned_on" is not null and "counted" is not null order by "returned_on", "id"`,
  );
  add('create index "loan_borrower" on "loan" ("borrower_id", "id")');
  add('create index "loan_due" on "loan" ("due_on") where "returned_on" is null');
  add('create index "copy_build" on "copy" ("build_id")');
  add('create index "build_design" on "build" ("design_id")');
  add('create index "offer_supplier" on "offer" ("supplier_id")');
  add('create index "note_day" on "note" ("sat_on", "id")');
  add('create index "note_child" on "note" ("child", "sat_on")');
  // The field's own words for skills and levels of prompting.
  for (const [was, is] of [
    ['In-hand skills', 'In-hand manipulation'],
    ['Crossing the middle', 'Crossing the midline'],
  ])
    add(`update "design" set "skill" = '${is}' where "skill" = '${was}'`);
  add(`update "note" set "help" = 'verbal prompt' where "help" = 'told'`);
  add(`update "note" set "help" = 'hand over hand' where "help" = 'hand on hand'`);
  add(
    `update "lot" set "look" = json_set("look", '$.clean', 'clean') where "look" is not null and "state" = 'ready'`,
  );
}

/**
 * Room for every family: the approach belongs to the design, a role takes several kinds, a note counts what the family
 * counts and may have no seconds, a part of a kit says what it is and how much of its material it takes.
 */
function families(add: Add): void {
  add(`alter table "design" add column "approach" text not null default 'prepared shelf'`);
  add(
    `update "design" set "approach" = coalesce(json_extract("dials", '$.approach'), 'prepared shelf'), "dials" = json_remove("dials", '$.approach'), "materials" = (select json_group_object("key", json_array("value")) from json_each("design"."materials"))`,
  );
  add(
    `create table "note_new" ("id" integer not null primary key autoincrement, "design_id" integer not null references "design" ("id"), "child" text not null, "rung" text not null, "bits" real not null, "seconds" real null check ("seconds" > 0), "count" integer null check ("count" >= 0), "counted_of" text not null, "help" text not null, "words" text not null, "sat_on" text not null, check ("seconds" is not null or "count" is not null))`,
  );
  add(
    `insert into "note_new" select "id", "design_id", "child", "rung", "bits", "seconds", "pieces", 'pieces', "help", "words", "sat_on" from "note"`,
  );
  add('drop table "note"');
  add('alter table "note_new" rename to "note"');
  add('create index "note_design" on "note" ("design_id", "sat_on")');
  add('create index "note_day" on "note" ("sat_on", "id")');
  add('create index "note_child" on "note" ("child", "sat_on")');
  // What there was over one of was a piece, as the only family so far had it.
  for (const [table, column] of [
    ['copy', 'parts'],
    ['loan', 'counted'],
    ['count', 'parts'],
  ])
    add(
      `update "${table}" set "${column}" = (select json_group_array(json_set("value", '$.use', case when json_extract("value", '$.due') > 1 then 'piece' else 'part' end, '$.takes', 1)) from json_each("${table}"."${column}")) where "${column}" is not null`,
    );
}

/** A sitting climbs: a note holds the rungs that were done before its last one. */
function sittings(add: Add): void {
  add(`alter table "note" add column "before" text not null default '[]'`);
}

/** What is lent can be a kit of several designs; what was lent so far is a kit of one, and stays as it is. */
function kits(add: Add): void {
  add(
    'create table "kit" ("id" integer not null primary key autoincrement, "version" integer not null default 1, "name" text not null, "designs" json not null, "container" integer null references "material" ("id"))',
  );
  add('create unique index "kit_name" on "kit" ("name" collate nocase)');
  add('alter table "copy" add column "kit_id" integer null references "kit" ("id")');
  add('create index "copy_kit" on "copy" ("kit_id") where "kit_id" is not null');
}

/** A find says which way its grain runs, what of it cannot be cut, and how long food keeps. */
function finds(add: Add): void {
  add('alter table "material" add column "grain" text null');
  add('alter table "material" add column "keep_out" json null');
  add('alter table "material" add column "keeping" json null');
}

/** Kits are given away too, to be made at home, with a place's own words in its languages. */
function giving(add: Add): void {
  add(`alter table "place" add column "languages" json not null default '["en"]'`);
  add(`alter table "kit" add column "words" json not null default '{}'`);
  add(
    'create table "given" ("id" integer not null primary key autoincrement, "kit_id" integer not null references "kit" ("id"), "families" integer not null check ("families" > 0), "prepared" integer not null, "given_on" text not null, "used" json not null)',
  );
  add('create index "given_kit" on "given" ("kit_id", "id")');
}

/** A child under a code, with its hand as measured; a design may be fitted to one. */
function children(add: Add): void {
  add(
    'create table "child" ("code" text not null primary key, "version" integer not null default 1, "hand" json not null, "likes" text not null)',
  );
  add('alter table "design" add column "child" text null');
}

/** A place changes rules with their reason, tests by hand are on record, and a design says whether somebody mouths. */
function checks(add: Add): void {
  add(`alter table "place" add column "rules" json not null default '{"changes":[],"own":[]}'`);
  add(
    'create table "rule_log" ("id" integer not null primary key autoincrement, "changed_on" text not null, "changed_by" text not null, "why" text not null, "what" text not null)',
  );
  add(`alter table "place" add column "phone" text not null default ''`);
  add(`alter table "borrower" add column "allergies" json not null default '[]'`);
  add('alter table "kit" add column "youngest" integer null check ("youngest" >= 0)');
  add('alter table "design" add column "mouths" integer not null default 0');
  add(
    'create table "hand_test" ("id" integer not null primary key autoincrement, "design_id" integer not null references "design" ("id") on delete cascade, "part" text not null, "test" text not null, "passed" integer not null, "force" real null check ("force" >= 0), "done_on" text not null, "done_by" text not null, "words" text not null)',
  );
  add('create index "hand_test_design" on "hand_test" ("design_id", "id")');
}

/** A kit that came back is cleaned before it is lent, and retired kits stay on record; a test holds for what was tested. */
function states(add: Add): void {
  add('alter table "copy" add column "to_clean" integer not null default 0');
  add('alter table "copy" add column "rests_until" text null');
  add('alter table "copy" add column "retired_on" text null');
  add('create index "copy_to_clean" on "copy" ("id") where "to_clean" <> 0');
  add('create index "copy_rests" on "copy" ("rests_until") where "rests_until" is not null');
  add(
    'create table "copy_event" ("id" integer not null primary key autoincrement, "copy_id" integer not null references "copy" ("id"), "done_on" text not null, "what" text not null, "done_by" text not null, "why" text not null)',
  );
  add('create index "copy_event_copy" on "copy_event" ("copy_id", "id")');
  add(`alter table "build" add column "made_as" json not null default '{}'`);
  add('alter table "material" add column "risks" json null');
  add(`alter table "hand_test" add column "made_as" text not null default ''`);
}

/** Several designs and kits are made together, at the bench, step by step, and steps are timed; work may have a price. */
function batches(add: Add): void {
  add('alter table "supplier" add column "free_from" integer null check ("free_from" >= 0)');
  add('alter table "place" add column "hourly" integer null check ("hourly" >= 0)');
  add(
    `create table "batch" ("id" integer not null primary key autoincrement, "version" integer not null default 1, "name" text not null, "state" text not null check ("state" in ('planned', 'being made', 'done')), "items" json not null, "days" json not null, "progress" json not null, "made_on" text null, "used" json not null, "offcuts" json not null, "labels" json not null)`,
  );
  add(
    'create table "step_time" ("id" integer not null primary key autoincrement, "batch_id" integer not null references "batch" ("id") on delete cascade, "task" text not null, "pattern" text not null, "step" text not null, "usual" real not null check ("usual" > 0), "minutes" real not null check ("minutes" > 0), "done_on" text not null)',
  );
  add('create index "step_time_step" on "step_time" ("pattern", "step", "id")');
  add('create index "step_time_batch" on "step_time" ("batch_id")');
}

/** A note says how often something was tried and managed, and how it was liked. */
function tries(add: Add): void {
  add('alter table "note" add column "tries" integer not null default 1 check ("tries" > 0)');
  add('alter table "note" add column "managed" integer not null default 1 check ("managed" >= 0)');
  add('alter table "note" add column "liked" text null');
}

/** Kits are kept for families, and what families are told is on record. */
function keeping(add: Add): void {
  add(
    `create table "reservation" ("id" integer not null primary key autoincrement, "borrower_id" integer not null references "borrower" ("id"), "design_id" integer not null references "design" ("id"), "kit_id" integer null references "kit" ("id"), "made_on" text not null, "ended_on" text null, "outcome" text null check ("outcome" in ('lent', 'dropped')))`,
  );
  add('create index "reservation_open" on "reservation" ("design_id", "kit_id") where "ended_on" is null');
  add(
    'create table "telling" ("id" integer not null primary key autoincrement, "borrower_id" integer not null references "borrower" ("id"), "told_on" text not null, "about" json not null, "by" text not null, "language" text not null, "words" text not null)',
  );
  add('create index "telling_borrower" on "telling" ("borrower_id", "id")');
}

/** Each maker at the bench has a step that runs. */
function benches(add: Add): void {
  add(
    `update "batch" set "progress" = json_set("progress", '$.running', case when json_type("progress", '$.running') = 'object' then json_array(json_set(json_extract("progress", '$.running'), '$.maker', null)) else json('[]') end)`,
  );
}

/** Somebody signs in, may do what their role says, and what they do is on record. */
function people(add: Add): void {
  add(
    `create table "person" ("id" integer not null primary key autoincrement, "name" text not null, "role" text not null check ("role" in ('reads', 'lends', 'designs', 'keeps')), "password" text not null, "is_off" integer not null default 0, "made_on" text not null)`,
  );
  add('create unique index "person_name" on "person" ("name" collate nocase)');
  add(
    'create table "session" ("id" text not null primary key, "person_id" integer not null references "person" ("id"), "made_at" integer not null, "used_at" integer not null)',
  );
  add('create index "session_person" on "session" ("person_id")');
  add(
    'create table "deed" ("id" integer not null primary key autoincrement, "at" integer not null, "who" text not null, "asked" text not null)',
  );
  add('alter table "place" add column "sign_in" integer not null default 0');
  add('alter table "borrower" add column "erased_on" text null');
  add(`alter table "place" add column "messages" json not null default '{}'`);
}

/** A term is planned: what is known of a family's children, and who gets which kit when. Messages are mailed. */
function terms(add: Add): void {
  add('alter table "borrower" add column "mail" text null');
  add(
    `create table "outbox" ("id" integer not null primary key autoincrement, "borrower_id" integer not null references "borrower" ("id"), "to_address" text not null, "subject" text not null, "words" text not null, "language" text not null, "about" json not null, "state" text not null check ("state" in ('waiting', 'sent')), "made_on" text not null, "sent_on" text null, "tries" integer not null default 0, "problem" text null)`,
  );
  add('create index "outbox_waiting" on "outbox" ("id") where "state" = \'waiting\'');
  add('alter table "borrower" add column "youngest" integer null check ("youngest" >= 0)');
  add('alter table "borrower" add column "aim" text null');
  add(`alter table "borrower" add column "children" json not null default '[]'`);
  // Figures of the lending room read these and no kit besides.
  add('create index "copy_lent" on "copy" ("design_id") where "retired_on" is null');
  add('create index "copy_repair" on "copy" ("id") where "repair" <> 0');
  add('create index "copy_retired" on "copy" ("retired_on") where "retired_on" is not null');
  add(
    'create table "term_plan" ("id" integer not null primary key autoincrement, "version" integer not null default 1, "name" text not null, "from_day" text not null, "weeks" integer not null check ("weeks" > 0), "every_weeks" integer not null check ("every_weeks" > 0), "stays_weeks" integer not null check ("stays_weeks" > 0), "clean_days" integer not null check ("clean_days" >= 0), "borrowers" json not null, "entries" json not null)',
  );
}

/**
 * Figures of the lending room cost the same however many kits there are. Open loans are read from their index alone: an
 * index that leaves out rows by a column must hold that column, or SQLite looks every row up. Kits in use are counted as
 * they come and go, whoever writes them.
 */
function figures(add: Add): void {
  add('drop index "copy_lent"');
  // A kit of one design has kit 0 here: nothing is part of a key.
  add(
    'create table "kits_in_use" ("design_id" integer not null, "kit_id" integer not null, "kits" integer not null, primary key ("design_id", "kit_id")) without rowid',
  );
  add(
    'insert into "kits_in_use" select "design_id", coalesce("kit_id", 0), count(*) from "copy" where "retired_on" is null group by 1, 2',
  );
  const more = (by: 1 | -1, row: 'new' | 'old'): string =>
    `insert into "kits_in_use" select ${row}."design_id", coalesce(${row}."kit_id", 0), ${by} where ${row}."retired_on" is null on conflict do update set "kits" = "kits" + ${by};`;
  add(`create trigger "copy_in" after insert on "copy" begin ${more(1, 'new')} end`);
  add(`create trigger "copy_out" after delete on "copy" begin ${more(-1, 'old')} end`);
  add(
    `create trigger "copy_moves" after update of "design_id", "kit_id", "retired_on" on "copy" begin ${more(-1, 'old')} ${more(1, 'new')} end`,
  );
  add('drop index "loan_due"');
  add('create index "loan_due" on "loan" ("due_on", "returned_on") where "returned_on" is null');
  add('create index "loan_asked" on "loan" ("copy_id") where "outcome" = \'ask back\'');
  add(
    'create index "loan_with" on "loan" ("borrower_id", "copy_id", "returned_on") where "returned_on" is null',
  );
}

/**
 * What the check asks of who will have a kit: ages that grow, who mouths, allergies of a child; what is edited whole has a
 * version; a loan against a stop keeps who decided it and why. The last test of each kind on each part is read from an index.
 */
function checkedLoans(add: Add): void {
  for (const table of ['borrower', 'supplier', 'offer'])
    add(`alter table "${table}" add column "version" integer not null default 1`);
  add('alter table "borrower" add column "youngest_on" text null');
  add('alter table "borrower" add column "born" text null');
  add('alter table "borrower" add column "mouths" integer not null default 0');
  add('alter table "borrower" add column "language" text null');
  add('alter table "child" add column "born" text null');
  add('alter table "child" add column "age" integer null check ("age" >= 0)');
  add('alter table "child" add column "age_on" text null');
  add('alter table "child" add column "mouths" integer not null default 0');
  add(`alter table "child" add column "allergies" json not null default '[]'`);
  for (const column of ['by', 'why', 'of'])
    for (const table of ['loan', 'given'])
      add(`alter table "${table}" add column "override_${column}" text null`);
  add('create index "hand_test_last" on "hand_test" ("design_id", "part", "test", "made_as", "id")');
  add('create index "hand_test_failed" on "hand_test" ("design_id", "id") where "passed" = 0');
}

/** What older records of what somebody did meant, by method and address; the first that fits. */
function deedsInWords(): string {
  const words: readonly (readonly [address: string, words: string])[] = [
    ['POST /loans/*/return', 'took a kit back'],
    ['POST /loans/*/renew', 'renewed a loan'],
    ['POST /loans/*/hand-on', 'handed a kit on'],
    ['POST /loans*', 'lent a kit'],
    ['POST /copies/*/count', 'counted a kit'],
    ['POST /copies/*/found', 'put a piece back that turned up'],
    ['POST /copies/*/state', 'changed the state of a kit'],
    ['POST /borrowers/*/erase', 'erased a family'],
    ['POST /children/*/erase', 'erased a child'],
    ['POST /borrowers', 'added a family'],
    ['PUT /borrowers*', 'changed a family'],
    ['POST /reservations', 'reserved a kit'],
    ['DELETE /reservations*', 'dropped a reservation'],
    ['POST /tellings', 'told a family'],
    ['POST /outbox*', 'mailed families'],
    ['DELETE /outbox*', 'took a mail back'],
    ['POST /term-plans*', 'changed the plan of a term'],
    ['PUT /term-plans*', 'changed the plan of a term'],
    ['DELETE /term-plans*', 'changed the plan of a term'],
    ['POST /notes', 'wrote a note'],
    ['DELETE /notes*', 'deleted a note'],
    ['PUT /children*', 'changed a child’s measures'],
    ['DELETE /children*', 'deleted a child’s measures'],
    ['POST /finds*', 'put something on the shelf'],
    ['POST /materials*', 'put something on the shelf'],
    ['PUT /materials*', 'changed the shelf'],
    ['PUT /lots*', 'changed the shelf'],
    ['DELETE /materials*', 'changed the shelf'],
    ['DELETE /lots*', 'changed the shelf'],
    ['POST /purchases', 'took a purchase in'],
    ['POST /offers*', 'changed packs and prices'],
    ['POST /suppliers*', 'changed packs and prices'],
    ['POST /shop*', 'changed packs and prices'],
    ['PUT /offers*', 'changed packs and prices'],
    ['PUT /suppliers*', 'changed packs and prices'],
    ['PUT /shop*', 'changed packs and prices'],
    ['DELETE /offers*', 'changed packs and prices'],
    ['DELETE /suppliers*', 'changed packs and prices'],
    ['DELETE /shop*', 'changed packs and prices'],
    ['POST /builds', 'made kits'],
    ['POST /batches/*/progress', 'did a step at the bench'],
    ['POST /batches/*/made', 'finished a batch'],
    ['POST /batches*', 'changed a batch'],
    ['PUT /batches*', 'changed a batch'],
    ['DELETE /batches*', 'changed a batch'],
    ['POST /tests', 'tested by hand'],
    ['POST /designs*', 'changed a design'],
    ['PUT /designs*', 'changed a design'],
    ['DELETE /designs*', 'changed a design'],
    ['POST /kits*', 'changed a kit of several designs'],
    ['PUT /kits*', 'changed a kit of several designs'],
    ['DELETE /kits*', 'changed a kit of several designs'],
    ['PUT /place', 'changed the place'],
    ['PUT /message-words', 'changed what families are told'],
    ['POST /rules*', 'changed a rule'],
    ['PUT /rules*', 'changed a rule'],
    ['POST /files/confirm', 'took a file in'],
    ['POST /backups/*/restore', 'put a backup back'],
    ['POST /backups*', 'made a backup'],
    ['POST /people', 'added somebody'],
    ['PUT /people*', 'changed who may do what'],
    ['POST /session', 'signed in'],
  ];
  return words
    .map(([address, said]) => `when "asked" glob '${address}' then '${said.replaceAll("'", "''")}'`)
    .join(' ');
}

/**
 * Marks what is made here as this place's, counts what it has committed, and keeps what was erased by its trace alone: a
 * copy that is put back must not bring it again.
 */
function sound(add: Add): void {
  add(`alter table "place" add column "identity" text not null default ''`);
  add('update "place" set "identity" = lower(hex(randomblob(16)))');
  add(
    'create table "committed" ("id" integer not null primary key check ("id" = 1), "changes" integer not null)',
  );
  add('insert into "committed" ("id", "changes") values (1, 0)');
  add(`alter table "deed" add column "did" text not null default ''`);
  add(`update "deed" set "did" = case ${deedsInWords()} else 'changed something' end`);
  // A child's code in an address is none of the record's business.
  add(
    `update "deed" set "asked" = substr("asked", 1, instr("asked", '/children/') + 9) || ':code' where "asked" glob '* /children/*'`,
  );
  add(
    `create table "erasure" ("id" integer not null primary key autoincrement, "kind" text not null check ("kind" in ('family', 'child')), "trace" text not null, "at" integer not null)`,
  );
}

/** What a material can do is known by a tag; so far it was known by its English name. */
function traits(add: Add): void {
  add('alter table "material" add column "traits" json null');
  const tagged = (trait: string, names: readonly string[], keys: readonly string[]): void =>
    add(
      `update "material" set "traits" = json_insert(coalesce("traits", '[]'), '$[#]', '${trait}') where ${names
        .map((n) => `"name" like '%${n}%'`)
        .join(' or ')} or "catalogue" in (${keys.map((k) => `'${k}'`).join(', ')})`,
    );
  tagged(
    'clips on a rim',
    ['peg', 'clip', 'clothespin'],
    ['wooden-peg', 'plastic-peg', 'mini-peg', 'bulldog-clip', 'paper-clip'],
  );
  tagged('grips when squeezed', ['tongs', 'tweezer'], ['tongs']);
  tagged('cage of wires', ['whisk'], ['whisk']);
  tagged('stays bent', ['pipe cleaner', 'chenille', 'fuzzy', 'wire'], ['chenille']);
  tagged('flour', ['flour'], ['wheat-flour']);
  tagged('salt', ['salt'], ['fine-salt']);
}

/** What people may do is told by the names of their roles. */
function roles(add: Add): void {
  add(
    `create table "person_new" ("id" integer not null primary key autoincrement, "name" text not null, "role" text not null check ("role" in ('viewer', 'lender', 'designer', 'manager')), "password" text not null, "is_off" integer not null default 0, "made_on" text not null)`,
  );
  add(
    `insert into "person_new" ("id", "name", "role", "password", "is_off", "made_on") select "id", "name", case "role" when 'reads' then 'viewer' when 'lends' then 'lender' when 'designs' then 'designer' else 'manager' end, "password", "is_off", "made_on" from "person"`,
  );
  add('drop table "person"');
  add('alter table "person_new" rename to "person"');
  add('create unique index "person_name" on "person" ("name" collate nocase)');
}

/**
 * What is lent is a kit, and several designs that go out as one are a bundle; so far they were called copy and kit. What
 * people did is the audit log. A place on a ladder is a level, once a rung.
 */
function kitsBundlesLevels(add: Add): void {
  for (const trigger of ['copy_in', 'copy_out', 'copy_moves']) add(`drop trigger "${trigger}"`);
  for (const index of [
    'copy_label',
    'copy_design',
    'copy_build',
    'copy_kit',
    'copy_to_clean',
    'copy_rests',
    'copy_repair',
    'copy_retired',
    'copy_event_copy',
    'loan_one_open_per_copy',
    'loan_copy',
    'loan_asked',
    'loan_with',
    'count_copy',
    'kit_name',
    'given_kit',
    'reservation_open',
  ])
    add(`drop index "${index}"`);
  add('alter table "kit" rename to "bundle"');
  for (const table of ['copy', 'given', 'reservation', 'kits_in_use'])
    add(`alter table "${table}" rename column "kit_id" to "bundle_id"`);
  add('alter table "copy" rename to "kit"');
  add('alter table "copy_event" rename to "kit_event"');
  for (const table of ['kit_event', 'loan', 'count'])
    add(`alter table "${table}" rename column "copy_id" to "kit_id"`);
  add('alter table "deed" rename to "audit_log"');
  const carried = (table: string, column: string, from: string, to: string): void =>
    add(
      `update "${table}" set "${column}" = (select json_group_array(json_remove(json_set("value", '$.${to}', "value" ->> '${from}'), '$.${from}')) from json_each("${table}"."${column}"))`,
    );
  carried('batch', 'items', 'kitId', 'bundleId');
  carried('term_plan', 'entries', 'copyId', 'kitId');
  add('alter table "note" rename column "rung" to "level"');
  carried('note', 'before', 'rung', 'level');
  add('create unique index "bundle_name" on "bundle" ("name" collate nocase)');
  add('create index "given_bundle" on "given" ("bundle_id", "id")');
  add('create index "reservation_open" on "reservation" ("design_id", "bundle_id") where "ended_on" is null');
  add('create unique index "kit_label" on "kit" ("label")');
  add('create index "kit_design" on "kit" ("design_id")');
  add('create index "kit_build" on "kit" ("build_id")');
  add('create index "kit_bundle" on "kit" ("bundle_id") where "bundle_id" is not null');
  add('create index "kit_to_clean" on "kit" ("id") where "to_clean" <> 0');
  add('create index "kit_rests" on "kit" ("rests_until") where "rests_until" is not null');
  add('create index "kit_repair" on "kit" ("id") where "repair" <> 0');
  add('create index "kit_retired" on "kit" ("retired_on") where "retired_on" is not null');
  add('create index "kit_event_kit" on "kit_event" ("kit_id", "id")');
  add('create unique index "loan_one_open_per_kit" on "loan" ("kit_id") where "returned_on" is null');
  add('create index "loan_kit" on "loan" ("kit_id")');
  add('create index "loan_asked" on "loan" ("kit_id") where "outcome" = \'ask back\'');
  add(
    'create index "loan_with" on "loan" ("borrower_id", "kit_id", "returned_on") where "returned_on" is null',
  );
  add('create index "count_kit" on "count" ("kit_id", "id")');
  // A kit of one design has bundle 0 here: nothing is part of a key.
  const more = (by: 1 | -1, row: 'new' | 'old'): string =>
    `insert into "kits_in_use" select ${row}."design_id", coalesce(${row}."bundle_id", 0), ${by} where ${row}."retired_on" is null on conflict do update set "kits" = "kits" + ${by};`;
  add(`create trigger "kit_in" after insert on "kit" begin ${more(1, 'new')} end`);
  add(`create trigger "kit_out" after delete on "kit" begin ${more(-1, 'old')} end`);
  add(
    `create trigger "kit_moves" after update of "design_id", "bundle_id", "retired_on" on "kit" begin ${more(-1, 'old')} ${more(1, 'new')} end`,
  );
}

/**
 * A new place hides what is only simulated, one in use keeps what it had. A design is named by what it is until somebody names
 * it. Purchases, files taken in and what their columns meant stay known.
 */
function firstHour(add: Add): void {
  add('alter table "place" add column "simulated" integer not null default 0');
  add('update "place" set "simulated" = 1 where exists (select 1 from "material")');
  add(`alter table "place" add column "file_columns" json not null default '{}'`);
  add('alter table "design" add column "own_name" integer not null default 1');
  add(
    'create table "purchase" ("id" integer not null primary key autoincrement, "bought_on" text not null, "total" integer not null check ("total" >= 0), "packs" json not null, "design_id" integer null references "design" ("id") on delete set null)',
  );
  add('create index "purchase_design" on "purchase" ("design_id") where "design_id" is not null');
  add(
    'create table "file_taken" ("id" integer not null primary key autoincrement, "digest" text not null, "kind" text not null, "name" text not null, "taken_on" text not null, "added" integer not null, "changed" integer not null)',
  );
  add('create unique index "file_taken_digest" on "file_taken" ("digest", "kind")');
  // A note can be corrected, by one person at a time.
  add('alter table "note" add column "version" integer not null default 1');
}

/**
 * What was done on a day, and what each row was before, so that it can be taken back; what was taken back stays. Weeks of a
 * term that are closed. Loans by the day they came back: Today asks for the latest.
 */
function undoing(add: Add): void {
  add(
    'create table "undo_log" ("id" integer not null primary key autoincrement, "at" integer not null, "done_on" text not null, "who" text not null, "role" text not null, "did" text not null, "about" text not null, "kits" json not null, "families" json not null, "changes" json not null, "undone_at" integer null, "undone_by" text not null default \'\', "why" text not null default \'\')',
  );
  add('create index "undo_log_day" on "undo_log" ("done_on", "id")');
  add('create index "undo_log_undone" on "undo_log" ("id") where "undone_at" is not null');
  add('create index "loan_returned" on "loan" ("returned_on") where "returned_on" is not null');
  add(`alter table "term_plan" add column "closed" json not null default '[]'`);
}

/** A step of the layout: what it is called in a file that has it, and the statements that make it. */
export interface Change {
  readonly name: string;
  readonly statements: readonly string[];
}
const change = (name: string, make: (add: Add) => void): Change => {
  const statements: string[] = [];
  make((sql) => statements.push(sql));
  return { name, statements };
};

/** Every step that has landed, in order. None of them is ever changed: files made with it are out there. */
export const changes: readonly Change[] = [
  change('2026-11-25-start', start),
  change('2026-11-25-stock-lots', lots),
  change('2026-11-26-one-truth', oneTruth),
  change('2026-11-26-families', families),
  change('2026-11-27-sittings', sittings),
  change('2026-11-27-kits', kits),
  change('2026-11-27-finds', finds),
  change('2026-11-27-giving', giving),
  change('2026-11-27-children', children),
  change('2026-11-27-checks', checks),
  change('2026-11-28-states', states),
  change('2026-11-28-batches', batches),
  change('2026-11-29-tries', tries),
  change('2026-11-29-keeping', keeping),
  change('2026-11-30-benches', benches),
  change('2026-11-30-people', people),
  change('2026-11-30-terms', terms),
  change('2026-11-30-figures', figures),
  change('2026-11-30-checked-loans', checkedLoans),
  change('2026-11-30-sound', sound),
  change('2026-12-01-traits', traits),
  change('2026-12-01-roles', roles),
  change('2026-12-01-kits-bundles-levels', kitsBundlesLevels),
  change('2026-12-02-first-hour', firstHour),
  change('2026-12-02-undo', undoing),
];

/** Their names; a file that knows others is from a newer version. */
export const changeNames: readonly string[] = changes.map((c) => c.name);
