CREATE TABLE `layouts` (
	`id` text PRIMARY KEY NOT NULL,
	`doc` text NOT NULL
);
