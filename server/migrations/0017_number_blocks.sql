-- Blocks of numbers are a part of the registry: changed, told in the journal and taken back as the rest of it.
INSERT INTO documents (thing, id, revision, doc)
SELECT 'registry', '', 1, json('{"categories":{},"facts":{},"dictionary":{},"languages":["en"],"remembered":{"brand":[],"maker":[],"collections":[]}}')
WHERE EXISTS (SELECT 1 FROM blocks) AND NOT EXISTS (SELECT 1 FROM documents WHERE thing = 'registry' AND id = '');
--> statement-breakpoint
UPDATE documents SET doc = json_set(doc, '$.numberBlocks', json((
  SELECT json_group_array(json_object('id', id, 'label', label, 'prefix', prefix, 'digits', digits, 'reserved', json('[]')))
  FROM (SELECT * FROM blocks ORDER BY rowid))))
WHERE thing = 'registry' AND id = '' AND EXISTS (SELECT 1 FROM blocks);
--> statement-breakpoint
DROP TABLE `blocks`;
