ALTER TABLE `families` ADD `low` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `movements` ADD `reason` text;