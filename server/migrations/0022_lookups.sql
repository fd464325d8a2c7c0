CREATE INDEX `families_as_listed` ON `families` (`retired`,name COLLATE NOCASE,`id`);--> statement-breakpoint
CREATE INDEX `known_by_number` ON `known_numbers` (`number`);