DROP INDEX `findings_by_code`;--> statement-breakpoint
CREATE INDEX `findings_by_code` ON `findings` (`account`,`code`,`key`,`severity`,`family_id`,`children`);--> statement-breakpoint
DROP INDEX `standings_by_state`;--> statement-breakpoint
CREATE INDEX `standings_by_state` ON `standings` (`account`,`state`,`family_id`);