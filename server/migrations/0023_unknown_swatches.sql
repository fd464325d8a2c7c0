-- A colour nobody knew was given this swatch, and then taken for a grey. It has none now, and is asked for.
UPDATE `families` SET `doc` = replace(`doc`, ',"swatch":"#B8BDB8"', '') WHERE `doc` LIKE '%,"swatch":"#B8BDB8"%';
--> statement-breakpoint
UPDATE `documents` SET `doc` = replace(`doc`, ',"swatch":"#B8BDB8"', '') WHERE `doc` LIKE '%,"swatch":"#B8BDB8"%';
