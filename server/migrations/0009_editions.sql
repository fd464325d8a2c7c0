CREATE TABLE `editions` (
	`channel` text NOT NULL,
	`version` integer NOT NULL,
	`rulebook` text NOT NULL,
	`at` text NOT NULL,
	PRIMARY KEY(`channel`, `version`)
);
--> statement-breakpoint
-- What was fetched was in force at once; now it is put in force by the seller, and can be taken back.
INSERT INTO documents (thing, id, revision, doc) SELECT 'rulebook', channel, 1, json(rulebook) FROM channels;
--> statement-breakpoint
INSERT INTO editions (channel, version, rulebook, at) SELECT channel, json_extract(rulebook, '$.version'), json(rulebook), strftime('%Y-%m-%dT%H:%M:%fZ', 'now') FROM channels;
