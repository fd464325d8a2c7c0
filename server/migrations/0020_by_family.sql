DROP INDEX `movements_by_child`;--> statement-breakpoint
CREATE INDEX `movements_by_family` ON `movements` (`family_id`,`child_id`);--> statement-breakpoint
CREATE INDEX `given_identifiers_by_family` ON `given_identifiers` (`family_id`);