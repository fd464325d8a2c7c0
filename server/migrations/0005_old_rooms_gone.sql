DROP TABLE `fit_states`;--> statement-breakpoint
DROP TABLE `journal`;--> statement-breakpoint
DROP TABLE `listings`;--> statement-breakpoint
DROP TABLE `pairings`;--> statement-breakpoint
DROP TABLE `setup`;--> statement-breakpoint
DROP TABLE `stock_levels`;--> statement-breakpoint
ALTER TABLE `channels` DROP COLUMN `settings`;--> statement-breakpoint
ALTER TABLE `dispatch_lines` DROP COLUMN `channel`;