CREATE TABLE `unconfirmed_listings` (
	`account` text NOT NULL,
	`key` text NOT NULL,
	`family_id` text NOT NULL,
	`since` text NOT NULL,
	`why` text NOT NULL,
	`submission` text NOT NULL,
	`receipt` text,
	`is_over` integer NOT NULL,
	`is_turned_away` integer NOT NULL,
	`listing` text,
	PRIMARY KEY(`account`, `key`)
);
--> statement-breakpoint
CREATE INDEX `unconfirmed_by_family` ON `unconfirmed_listings` (`family_id`);--> statement-breakpoint
CREATE TABLE `unread_accounts` (
	`account` text PRIMARY KEY NOT NULL,
	`since` text NOT NULL,
	`why` text NOT NULL
);
--> statement-breakpoint
DROP INDEX `lines_by_dispatch`;--> statement-breakpoint
DROP INDEX `lines_by_state`;--> statement-breakpoint
CREATE INDEX `lines_by_dispatch` ON `dispatch_lines` (`dispatch_id`,`state`,`family_name`);--> statement-breakpoint
CREATE INDEX `lines_by_state` ON `dispatch_lines` (`state`,`account`);