ALTER TABLE `journal` ADD `key` text;--> statement-breakpoint
CREATE UNIQUE INDEX `journal_by_key` ON `journal` (`family_id`,`key`);