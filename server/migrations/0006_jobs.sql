CREATE TABLE `jobs` (
	`id` text PRIMARY KEY NOT NULL,
	`kind` text NOT NULL,
	`title` text NOT NULL,
	`subject` text NOT NULL,
	`state` text NOT NULL,
	`done` integer NOT NULL,
	`total` integer,
	`notice` text,
	`at` text NOT NULL,
	`ended_at` text,
	`sheet` text
);
--> statement-breakpoint
CREATE TABLE `sheet_rows` (
	`job_id` text NOT NULL,
	`row` integer NOT NULL,
	`verdict` text NOT NULL,
	`doc` text NOT NULL,
	PRIMARY KEY(`job_id`, `row`),
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
ALTER TABLE `due` ADD `among` integer DEFAULT false NOT NULL;