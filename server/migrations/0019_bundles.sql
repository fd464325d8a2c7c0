CREATE TABLE `bundle_parts` (
	`family_id` text NOT NULL,
	`child_id` text NOT NULL,
	`sku` text NOT NULL,
	`pieces` integer NOT NULL,
	PRIMARY KEY(`family_id`, `child_id`, `sku`),
	FOREIGN KEY (`family_id`) REFERENCES `families`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `bundle_parts_by_sku` ON `bundle_parts` (`sku`);