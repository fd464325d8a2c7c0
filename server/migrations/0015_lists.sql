CREATE TABLE `list_families` (
	`job_id` text NOT NULL,
	`at` integer NOT NULL,
	`mark` text NOT NULL,
	`doc` text NOT NULL,
	PRIMARY KEY(`job_id`, `at`),
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `list_rows` (
	`job_id` text NOT NULL,
	`at` integer NOT NULL,
	`row` integer NOT NULL,
	`verdict` text NOT NULL,
	`doc` text NOT NULL,
	PRIMARY KEY(`job_id`, `at`),
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
ALTER TABLE `jobs` ADD `list` text;