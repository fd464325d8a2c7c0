-- What stood in the old rooms moves into the new ones. Every account begins as the one on its channel, under the channel's name.
INSERT INTO documents (thing, id, revision, doc)
SELECT 'account', channel, 1, json_object('id', channel, 'channel', channel, 'name', json_extract(rulebook, '$.name'), 'language', 'en', 'at', place, 'settings', json(settings)) FROM channels;
--> statement-breakpoint
INSERT INTO documents (thing, id, revision, doc) SELECT 'seller', '', 1, value FROM setup WHERE key = 'seller';
--> statement-breakpoint
-- The categories were the program's own; now they are the seller's.
INSERT INTO documents (thing, id, revision, doc)
SELECT 'registry', '', 1, json_object('categories', json('{"outerwear":{"id":"outerwear","label":"Outerwear","parent":null,"at":0,"axes":[],"retired":false},"outerwear/jackets":{"id":"outerwear/jackets","label":"Jackets","parent":"outerwear","at":0,"axes":["colour","size","material"],"retired":false},"outerwear/smocks":{"id":"outerwear/smocks","label":"Smocks","parent":"outerwear","at":1,"axes":["colour","size"],"retired":false},"outerwear/trousers":{"id":"outerwear/trousers","label":"Trousers","parent":"outerwear","at":2,"axes":["colour","size","length"],"retired":false},"knitwear":{"id":"knitwear","label":"Knitwear","parent":null,"at":1,"axes":[],"retired":false},"knitwear/socks":{"id":"knitwear/socks","label":"Socks","parent":"knitwear","at":0,"axes":["colour","size","pack"],"retired":false},"knitwear/jumpers":{"id":"knitwear/jumpers","label":"Jumpers","parent":"knitwear","at":1,"axes":["colour","size"],"retired":false},"children":{"id":"children","label":"Children","parent":null,"at":2,"axes":[],"retired":false},"children/rainwear":{"id":"children/rainwear","label":"Rainwear","parent":"children","at":0,"axes":["size","colour"],"retired":false},"pets":{"id":"pets","label":"Pets","parent":null,"at":3,"axes":[],"retired":false},"pets/coats":{"id":"pets/coats","label":"Dog coats","parent":"pets","at":0,"axes":["colour","length"],"retired":false},"home":{"id":"home","label":"Home","parent":null,"at":4,"axes":[],"retired":false},"home/blankets":{"id":"home/blankets","label":"Blankets","parent":"home","at":0,"axes":["pattern","size"],"retired":false},"home/mugs":{"id":"home/mugs","label":"Mugs","parent":"home","at":1,"axes":["colour","volume"],"retired":false},"home/bags":{"id":"home/bags","label":"Bags","parent":"home","at":2,"axes":["colour","volume"],"retired":false}}'), 'facts', json('{}'), 'dictionary', json('{}'), 'languages', json('["en"]'),
  'remembered', json_object('brand', json((SELECT json_group_array(brand) FROM (SELECT DISTINCT brand FROM families WHERE brand <> '' ORDER BY brand))), 'maker', json('[]'), 'collections', json('[]')))
WHERE EXISTS (SELECT 1 FROM families);
--> statement-breakpoint
-- Where the seller's categories go stood in the rulebooks. The first entry that takes one wins.
INSERT INTO documents (thing, id, revision, doc)
SELECT 'categoryMap', channel, 1, (
  SELECT json_group_object(taken, target) FROM (
    SELECT take.value AS taken, json_extract(entry.value, '$.id') AS target, min(entry.key)
    FROM json_each(channels.rulebook, '$.categories') AS entry, json_each(entry.value, '$.takes') AS take GROUP BY take.value))
FROM channels WHERE EXISTS (SELECT 1 FROM json_each(channels.rulebook, '$.categories') AS entry WHERE json_type(entry.value, '$.takes') = 'array');
--> statement-breakpoint
UPDATE channels SET rulebook = json_set(rulebook, '$.categories', (SELECT json_group_array(json(json_remove(entry.value, '$.takes'))) FROM json_each(channels.rulebook, '$.categories') AS entry));
--> statement-breakpoint
INSERT INTO documents (thing, id, revision, doc)
SELECT 'pairings', channel, 1, json_group_object(role, json(words)) FROM (
  SELECT channel, role, json_group_object(value, target) AS words FROM pairings GROUP BY channel, role) GROUP BY channel;
--> statement-breakpoint
INSERT INTO stock_counts (child_id, location, family_id, pieces) SELECT child_id, 'main', family_id, pieces FROM stock_levels;
--> statement-breakpoint
INSERT INTO held_listings (account, key, family_id, draft, page, sent_at, listing) SELECT channel, key, family_id, draft, page, sent_at, listing FROM listings;
--> statement-breakpoint
UPDATE dispatch_lines SET account = channel;
--> statement-breakpoint
INSERT INTO changes (id, key, actor, at, kind, title, state)
SELECT id, CASE WHEN key IS NULL THEN NULL WHEN (SELECT count(*) FROM journal AS twin WHERE twin.key = journal.key) > 1 THEN family_id || ':' || key ELSE key END, who, at, kind, title, state FROM journal;
--> statement-breakpoint
INSERT INTO change_parts (change_id, thing, thing_id, made, forward, inverse, moves, lines)
SELECT id, 'family', family_id, revision = 1, json_extract(doc, '$.forward'), json_extract(doc, '$.inverse'), '[]', json_extract(doc, '$.lines') FROM journal
WHERE json_array_length(doc, '$.stock') = 0 AND json_array_length(doc, '$.pairings.after') = 0;
--> statement-breakpoint
INSERT INTO change_parts (change_id, thing, thing_id, made, forward, inverse, moves, lines)
SELECT id, 'stock', family_id, 0, '[]', '[]', (
  SELECT json_group_array(json_object('childId', json_extract(move.value, '$.childId'), 'location', 'main', 'pieces', json_extract(move.value, '$.pieces'))) FROM json_each(journal.doc, '$.stock') AS move), json_extract(doc, '$.lines')
FROM journal WHERE json_array_length(doc, '$.stock') > 0;
--> statement-breakpoint
INSERT INTO change_parts (change_id, thing, thing_id, made, forward, inverse, moves, lines)
SELECT id, 'pairings', json_extract(doc, '$.pairings.after[0].channel'), 0, (
  SELECT json_group_array(json_object('op', CASE json_extract(doc, '$.pairings.before[' || now.key || '].to') WHEN '' THEN 'add' ELSE 'replace' END,
    'path', '/doc/' || json_extract(now.value, '$.role') || '/' || replace(replace(json_extract(now.value, '$.value'), '~', '~0'), '/', '~1'), 'value', json_extract(now.value, '$.to'))) FROM json_each(journal.doc, '$.pairings.after') AS now), (
  SELECT json_group_array(CASE json_extract(was.value, '$.to') WHEN '' THEN json_object('op', 'remove', 'path', '/doc/' || json_extract(was.value, '$.role') || '/' || replace(replace(json_extract(was.value, '$.value'), '~', '~0'), '/', '~1'))
    ELSE json_object('op', 'replace', 'path', '/doc/' || json_extract(was.value, '$.role') || '/' || replace(replace(json_extract(was.value, '$.value'), '~', '~0'), '/', '~1'), 'value', json_extract(was.value, '$.to')) END) FROM json_each(journal.doc, '$.pairings.before') AS was), '[]', json_extract(doc, '$.lines')
FROM journal WHERE json_array_length(doc, '$.pairings.after') > 0;
--> statement-breakpoint
-- The journal of the family a pairing was made from keeps its line, too.
INSERT INTO change_parts (change_id, thing, thing_id, made, forward, inverse, moves, lines)
SELECT id, 'family', family_id, 0, '[]', '[]', '[]', '[]' FROM journal WHERE json_array_length(doc, '$.pairings.after') > 0;
--> statement-breakpoint
INSERT INTO given_identifiers (kind, value, child_id, family_id) SELECT kind, value, child_id, family_id FROM identifiers;
--> statement-breakpoint
INSERT OR IGNORE INTO family_values (family_id, role, word)
SELECT families.id, json_extract(axis.value, '$.role'), lower(trim(replace(replace(json_extract(entry.value, '$.label'), '-', ' '), '_', ' ')))
FROM families, json_each(families.doc, '$.axes') AS axis, json_each(axis.value, '$.values') AS entry;
--> statement-breakpoint
INSERT INTO due (family_id, turn) SELECT id, 1 FROM families;
