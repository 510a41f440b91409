CREATE TABLE `profile` (
	`id` integer PRIMARY KEY NOT NULL,
	`implement_id` integer NOT NULL,
	`variant_id` integer,
	`name` text NOT NULL,
	FOREIGN KEY (`implement_id`) REFERENCES `machine`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`variant_id`) REFERENCES `variant`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `profile_of` ON `profile` (`implement_id`,`variant_id`);--> statement-breakpoint
CREATE TABLE `implement_told` (
	`seq` integer PRIMARY KEY NOT NULL,
	`value` real NOT NULL,
	`raw_text` text NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `__new_scheme_line` (
	`scheme_id` text NOT NULL,
	`position` integer NOT NULL,
	`page` text NOT NULL,
	`label` text NOT NULL,
	`measure` text NOT NULL,
	`from_point` text,
	`to_point` text,
	`axis` text,
	`dimension` text,
	`choice` text,
	`sense` integer NOT NULL,
	`unit` text NOT NULL,
	`decimals` integer NOT NULL,
	`sign` text NOT NULL,
	`plus_word` text DEFAULT '' NOT NULL,
	`minus_word` text DEFAULT '' NOT NULL,
	`only_for` text DEFAULT 'every' NOT NULL,
	PRIMARY KEY(`scheme_id`, `position`),
	FOREIGN KEY (`scheme_id`) REFERENCES `scheme`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "scheme_line_measure" CHECK("__new_scheme_line"."measure" in ('between', 'dimension', 'track spacing', 'section count', 'section widths', 'section units', 'choice')),
	CONSTRAINT "scheme_line_sign" CHECK("__new_scheme_line"."sign" in ('signed', 'words', 'unsigned')),
	CONSTRAINT "scheme_line_only_for" CHECK("__new_scheme_line"."only_for" in ('every', 'wheels', 'carried', 'rows', 'heads', 'booms', 'planters', 'spreaders', 'all but spreaders', 'discs', 'all but discs')),
	CONSTRAINT "scheme_line_sense" CHECK("__new_scheme_line"."sense" in ('1', '-1'))
);
--> statement-breakpoint
INSERT INTO `__new_scheme_line`("scheme_id", "position", "page", "label", "measure", "from_point", "to_point", "axis", "dimension", "choice", "sense", "unit", "decimals", "sign", "plus_word", "minus_word", "only_for") SELECT "scheme_id", "position", "page", "label", "measure", "from_point", "to_point", "axis", "dimension", "choice", "sense", "unit", "decimals", "sign", "plus_word", "minus_word", 'every' FROM `scheme_line`;--> statement-breakpoint
DROP TABLE `scheme_line`;--> statement-breakpoint
ALTER TABLE `__new_scheme_line` RENAME TO `scheme_line`;--> statement-breakpoint
ALTER TABLE `card` ADD `entry_order` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `scheme` ADD `entry_order` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
INSERT INTO `profile` (`implement_id`, `variant_id`, `name`)
	SELECT c.`implement_id`, f.`variant_id`, d.`profile_name` FROM `card` d JOIN `fact` f ON f.`seq` = d.`seq` JOIN `coupling` c ON c.`id` = f.`coupling_id`
	WHERE d.`profile_name` <> '' AND d.`seq` = (
		SELECT max(e.`seq`) FROM `card` e JOIN `fact` g ON g.`seq` = e.`seq` JOIN `coupling` h ON h.`id` = g.`coupling_id`
		WHERE h.`implement_id` = c.`implement_id` AND g.`variant_id` IS f.`variant_id` AND e.`profile_name` <> '');--> statement-breakpoint
INSERT INTO `profile` (`implement_id`, `name`)
	SELECT min(c.`implement_id`), t.`profile_name` FROM `terminal` t JOIN `rig` r ON r.`tractor_id` = t.`tractor_id` JOIN `coupling` c ON c.`rig_id` = r.`id`
	WHERE t.`profile_name` <> '' AND NOT EXISTS (SELECT 1 FROM `profile` p WHERE p.`implement_id` = c.`implement_id`)
	GROUP BY t.`tractor_id` HAVING count(DISTINCT c.`implement_id`) = 1;--> statement-breakpoint
ALTER TABLE `terminal` DROP COLUMN `profile_name`;--> statement-breakpoint
CREATE TRIGGER `implement_told_no_update` BEFORE UPDATE ON `implement_told` BEGIN SELECT RAISE(ABORT, 'what is on record in implement_told is neither changed nor deleted'); END;--> statement-breakpoint
CREATE TRIGGER `implement_told_no_delete` BEFORE DELETE ON `implement_told` BEGIN SELECT RAISE(ABORT, 'what is on record in implement_told is neither changed nor deleted'); END;