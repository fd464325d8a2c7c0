CREATE TABLE `arrivals` (
	`job_id` text NOT NULL,
	`at` integer NOT NULL,
	`path` text NOT NULL,
	`picture_id` text,
	`problem` text,
	`settled` text,
	PRIMARY KEY(`job_id`, `at`),
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
ALTER TABLE `jobs` ADD `pictures` text;