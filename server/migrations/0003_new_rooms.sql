CREATE TABLE `change_parts` (
	`change_id` integer NOT NULL,
	`thing` text NOT NULL,
	`thing_id` text NOT NULL,
	`made` integer DEFAULT false NOT NULL,
	`forward` text NOT NULL,
	`inverse` text NOT NULL,
	`moves` text NOT NULL,
	`lines` text NOT NULL,
	PRIMARY KEY(`change_id`, `thing`, `thing_id`),
	FOREIGN KEY (`change_id`) REFERENCES `changes`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `change_parts_by_thing` ON `change_parts` (`thing`,`thing_id`,`change_id`);--> statement-breakpoint
CREATE TABLE `changes` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`key` text,
	`actor` text NOT NULL,
	`at` text NOT NULL,
	`kind` text NOT NULL,
	`title` text NOT NULL,
	`state` text NOT NULL,
	`of` integer
);
--> statement-breakpoint
CREATE UNIQUE INDEX `changes_by_key` ON `changes` (`key`);--> statement-breakpoint
CREATE TABLE `documents` (
	`thing` text NOT NULL,
	`id` text NOT NULL,
	`revision` integer NOT NULL,
	`doc` text NOT NULL,
	PRIMARY KEY(`thing`, `id`)
);
--> statement-breakpoint
CREATE TABLE `due` (
	`family_id` text PRIMARY KEY NOT NULL,
	`turn` integer NOT NULL,
	FOREIGN KEY (`family_id`) REFERENCES `families`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `family_values` (
	`family_id` text NOT NULL,
	`role` text NOT NULL,
	`word` text NOT NULL,
	PRIMARY KEY(`family_id`, `role`, `word`),
	FOREIGN KEY (`family_id`) REFERENCES `families`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `family_values_by_word` ON `family_values` (`role`,`word`);--> statement-breakpoint
CREATE TABLE `findings` (
	`family_id` text NOT NULL,
	`account` text NOT NULL,
	`code` text NOT NULL,
	`key` text NOT NULL,
	`severity` text NOT NULL,
	`count` integer NOT NULL,
	`children` integer NOT NULL,
	PRIMARY KEY(`family_id`, `account`, `code`, `key`),
	FOREIGN KEY (`family_id`) REFERENCES `families`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `findings_by_code` ON `findings` (`account`,`code`);--> statement-breakpoint
CREATE TABLE `given_identifiers` (
	`kind` text NOT NULL,
	`value` text NOT NULL,
	`child_id` text NOT NULL,
	`family_id` text NOT NULL,
	PRIMARY KEY(`kind`, `value`)
);
--> statement-breakpoint
CREATE TABLE `held_listings` (
	`account` text NOT NULL,
	`key` text NOT NULL,
	`family_id` text NOT NULL,
	`draft` integer NOT NULL,
	`page` text,
	`sent_at` text NOT NULL,
	`listing` text NOT NULL,
	PRIMARY KEY(`account`, `key`),
	FOREIGN KEY (`family_id`) REFERENCES `families`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `held_by_family` ON `held_listings` (`family_id`);--> statement-breakpoint
CREATE TABLE `standings` (
	`family_id` text NOT NULL,
	`account` text NOT NULL,
	`state` text NOT NULL,
	`stops` integer NOT NULL,
	`warns` integer NOT NULL,
	PRIMARY KEY(`family_id`, `account`),
	FOREIGN KEY (`family_id`) REFERENCES `families`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `standings_by_state` ON `standings` (`account`,`state`);--> statement-breakpoint
CREATE TABLE `stock_counts` (
	`child_id` text NOT NULL,
	`location` text NOT NULL,
	`family_id` text NOT NULL,
	`pieces` integer NOT NULL,
	PRIMARY KEY(`child_id`, `location`),
	FOREIGN KEY (`family_id`) REFERENCES `families`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `stock_counts_by_family` ON `stock_counts` (`family_id`);--> statement-breakpoint
ALTER TABLE `dispatch_lines` ADD `account` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `dispatch_lines` ADD `submission` text;--> statement-breakpoint
CREATE INDEX `lines_by_state` ON `dispatch_lines` (`state`);--> statement-breakpoint
ALTER TABLE `families` ADD `search_row` integer;--> statement-breakpoint
CREATE UNIQUE INDEX `families_by_search_row` ON `families` (`search_row`);--> statement-breakpoint
ALTER TABLE `movements` ADD `location` text DEFAULT 'main' NOT NULL;