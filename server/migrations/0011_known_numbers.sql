CREATE TABLE `known_numbers` (
	`account` text NOT NULL,
	`number` text NOT NULL,
	`entry` text,
	`at` text NOT NULL,
	PRIMARY KEY(`account`, `number`)
);
