CREATE TABLE `blocks` (
	`id` text PRIMARY KEY NOT NULL,
	`label` text NOT NULL,
	`prefix` text NOT NULL,
	`digits` integer NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `blocks_by_prefix` ON `blocks` (`prefix`,`digits`);--> statement-breakpoint
CREATE TABLE `channels` (
	`channel` text PRIMARY KEY NOT NULL,
	`place` integer NOT NULL,
	`rulebook` text NOT NULL,
	`settings` text NOT NULL,
	`choices` text NOT NULL,
	`reachable` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `dispatch_lines` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`dispatch_id` text NOT NULL,
	`channel` text NOT NULL,
	`family_id` text NOT NULL,
	`family_name` text NOT NULL,
	`key` text NOT NULL,
	`action` text NOT NULL,
	`children` integer NOT NULL,
	`fee` text NOT NULL,
	`state` text NOT NULL,
	`outcome` text,
	`reasons` text NOT NULL,
	`page` text,
	`receipt` text,
	`message` text,
	`listing` text,
	FOREIGN KEY (`dispatch_id`) REFERENCES `dispatches`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `lines_by_dispatch` ON `dispatch_lines` (`dispatch_id`);--> statement-breakpoint
CREATE TABLE `dispatches` (
	`id` text PRIMARY KEY NOT NULL,
	`key` text NOT NULL,
	`at` text NOT NULL,
	`state` text NOT NULL,
	`draft` integer NOT NULL,
	`totals` text NOT NULL,
	`notice` text
);
--> statement-breakpoint
CREATE UNIQUE INDEX `dispatches_key_unique` ON `dispatches` (`key`);--> statement-breakpoint
CREATE TABLE `families` (
	`id` text PRIMARY KEY NOT NULL,
	`revision` integer NOT NULL,
	`name` text NOT NULL,
	`style_code` text NOT NULL,
	`brand` text NOT NULL,
	`category` text NOT NULL,
	`axes` text NOT NULL,
	`children` integer NOT NULL,
	`from_price` integer,
	`from_price_text` text,
	`stock` integer NOT NULL,
	`picture` text,
	`retired` integer NOT NULL,
	`changed_at` text NOT NULL,
	`doc` text NOT NULL
);
--> statement-breakpoint
CREATE INDEX `families_by_name` ON `families` (`retired`,`name`);--> statement-breakpoint
CREATE INDEX `families_by_change` ON `families` (`retired`,`changed_at`);--> statement-breakpoint
CREATE INDEX `families_by_style` ON `families` (`style_code`);--> statement-breakpoint
CREATE TABLE `fit_states` (
	`family_id` text NOT NULL,
	`channel` text NOT NULL,
	`state` text NOT NULL,
	`stops` integer NOT NULL,
	`warns` integer NOT NULL,
	PRIMARY KEY(`family_id`, `channel`),
	FOREIGN KEY (`family_id`) REFERENCES `families`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `fit_states_by_state` ON `fit_states` (`channel`,`state`);--> statement-breakpoint
CREATE TABLE `identifiers` (
	`kind` text NOT NULL,
	`value` text NOT NULL,
	`family_id` text NOT NULL,
	`child_id` text NOT NULL,
	PRIMARY KEY(`kind`, `value`),
	FOREIGN KEY (`family_id`) REFERENCES `families`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `identifiers_by_family` ON `identifiers` (`family_id`);--> statement-breakpoint
CREATE TABLE `journal` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`family_id` text NOT NULL,
	`revision` integer NOT NULL,
	`at` text NOT NULL,
	`who` text NOT NULL,
	`kind` text NOT NULL,
	`title` text NOT NULL,
	`state` text NOT NULL,
	`doc` text NOT NULL
);
--> statement-breakpoint
CREATE INDEX `journal_by_family` ON `journal` (`family_id`,`id`);--> statement-breakpoint
CREATE TABLE `listings` (
	`channel` text NOT NULL,
	`key` text NOT NULL,
	`family_id` text NOT NULL,
	`draft` integer NOT NULL,
	`page` text,
	`sent_at` text NOT NULL,
	`listing` text NOT NULL,
	PRIMARY KEY(`channel`, `key`),
	FOREIGN KEY (`family_id`) REFERENCES `families`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `listings_by_family` ON `listings` (`family_id`);--> statement-breakpoint
CREATE TABLE `movements` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`key` text NOT NULL,
	`child_id` text NOT NULL,
	`family_id` text NOT NULL,
	`kind` text NOT NULL,
	`pieces` integer NOT NULL,
	`at` text NOT NULL,
	FOREIGN KEY (`family_id`) REFERENCES `families`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `movements_key_unique` ON `movements` (`key`);--> statement-breakpoint
CREATE INDEX `movements_by_child` ON `movements` (`child_id`);--> statement-breakpoint
CREATE TABLE `pairings` (
	`channel` text NOT NULL,
	`role` text NOT NULL,
	`value` text NOT NULL,
	`target` text NOT NULL,
	PRIMARY KEY(`channel`, `role`, `value`)
);
--> statement-breakpoint
CREATE TABLE `pictures` (
	`id` text PRIMARY KEY NOT NULL,
	`facts` text NOT NULL,
	`at` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `setup` (
	`key` text PRIMARY KEY NOT NULL,
	`value` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `stock_levels` (
	`child_id` text PRIMARY KEY NOT NULL,
	`family_id` text NOT NULL,
	`pieces` integer NOT NULL,
	FOREIGN KEY (`family_id`) REFERENCES `families`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `stock_by_family` ON `stock_levels` (`family_id`);