CREATE TABLE `look` (
	`seq` integer PRIMARY KEY NOT NULL,
	`figures` text NOT NULL,
	`lists` text NOT NULL,
	`choices` text NOT NULL,
	`texts` text NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `look_setting` (
	`look` integer NOT NULL,
	`component_id` integer NOT NULL,
	`steps` integer NOT NULL,
	PRIMARY KEY(`look`, `component_id`),
	FOREIGN KEY (`look`) REFERENCES `look`(`seq`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`component_id`) REFERENCES `component`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `preset` (
	`seq` integer PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`field` text NOT NULL,
	`soil` text,
	`moisture` text,
	`crop` text DEFAULT '' NOT NULL,
	`depth` real,
	`good` integer NOT NULL,
	`steps` integer NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "preset_soil" CHECK("preset"."soil" in ('sand', 'loam', 'clay', 'peat', 'stony')),
	CONSTRAINT "preset_moisture" CHECK("preset"."moisture" in ('dry', 'moist', 'wet')),
	CONSTRAINT "preset_counts" CHECK("preset"."good" between 0 and "preset"."steps")
);
--> statement-breakpoint
CREATE TABLE `preset_setting` (
	`preset` integer NOT NULL,
	`component_id` integer NOT NULL,
	`steps` integer NOT NULL,
	PRIMARY KEY(`preset`, `component_id`),
	FOREIGN KEY (`preset`) REFERENCES `preset`(`seq`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`component_id`) REFERENCES `component`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `school` (
	`id` integer PRIMARY KEY NOT NULL,
	`key` text NOT NULL,
	`coupling_id` integer,
	`practice` text NOT NULL,
	FOREIGN KEY (`coupling_id`) REFERENCES `coupling`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `school_of_yard` ON `school` (`key`) WHERE "school"."coupling_id" is null;--> statement-breakpoint
CREATE UNIQUE INDEX `school_of_coupling` ON `school` (`key`,`coupling_id`) WHERE "school"."coupling_id" is not null;--> statement-breakpoint
CREATE TABLE `strip` (
	`seq` integer PRIMARY KEY NOT NULL,
	`field` text NOT NULL,
	`soil` text,
	`moisture` text,
	`crop` text DEFAULT '' NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "strip_soil" CHECK("strip"."soil" in ('sand', 'loam', 'clay', 'peat', 'stony')),
	CONSTRAINT "strip_moisture" CHECK("strip"."moisture" in ('dry', 'moist', 'wet'))
);
--> statement-breakpoint
PRAGMA foreign_keys=OFF;--> statement-breakpoint
CREATE TABLE `__new_adjuster` (
	`component_id` integer PRIMARY KEY NOT NULL,
	`form` text NOT NULL,
	`low` integer NOT NULL,
	`high` integer NOT NULL,
	`storage` integer,
	`front` real,
	`rear` real,
	`across` real,
	`measure` text,
	`amount` real,
	`pair_id` integer,
	`difference` integer DEFAULT 0 NOT NULL,
	`learnt_from` text,
	`how` text DEFAULT '' NOT NULL,
	FOREIGN KEY (`component_id`) REFERENCES `component`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`pair_id`) REFERENCES `component`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "adjuster_form" CHECK("__new_adjuster"."form" in ('turnbuckle', 'shims', 'hole', 'notch', 'crank', 'spindle', 'spring', 'stop', 'pressure')),
	CONSTRAINT "adjuster_measure" CHECK("__new_adjuster"."measure" in ('lean', 'leanApart', 'firstFurrow', 'pull', 'coulterReach', 'coulterDepth', 'skimmerDepth', 'springLength', 'packerRun', 'downforce', 'seedDepth', 'closing', 'wheelClear', 'fingerFloat', 'bladeDepth', 'unitSpring', 'discBelow', 'shankLean', 'workDepth', 'sideLevel', 'bedPitch', 'cutHeight', 'suspension', 'standClear', 'swath', 'tineHeight', 'sensitivity', 'wingLeft', 'wingRight', 'zero')),
	CONSTRAINT "adjuster_moves_one_thing" CHECK("__new_adjuster"."measure" is null or "__new_adjuster"."front" is null),
	CONSTRAINT "adjuster_amount_is_of_a_measure" CHECK("__new_adjuster"."measure" is not null or "__new_adjuster"."amount" is null),
	CONSTRAINT "adjuster_has_a_range" CHECK("__new_adjuster"."low" <= "__new_adjuster"."high"),
	CONSTRAINT "adjuster_effect_is_whole" CHECK(("__new_adjuster"."front" is null) = ("__new_adjuster"."rear" is null) and ("__new_adjuster"."front" is null) = ("__new_adjuster"."across" is null))
);
--> statement-breakpoint
INSERT INTO `__new_adjuster`("component_id", "form", "low", "high", "storage", "front", "rear", "across", "measure", "amount", "pair_id", "difference", "learnt_from", "how") SELECT "component_id", "form", "low", "high", "storage", "front", "rear", "across", null, null, "pair_id", "difference", null, "how" FROM `adjuster`;--> statement-breakpoint
DROP TABLE `adjuster`;--> statement-breakpoint
ALTER TABLE `__new_adjuster` RENAME TO `adjuster`;--> statement-breakpoint
PRAGMA foreign_keys=ON;
--> statement-breakpoint
CREATE TRIGGER `strip_no_update` BEFORE UPDATE ON `strip` BEGIN SELECT RAISE(ABORT, 'what is on record in strip is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `strip_no_delete` BEFORE DELETE ON `strip` BEGIN SELECT RAISE(ABORT, 'what is on record in strip is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `look_no_update` BEFORE UPDATE ON `look` BEGIN SELECT RAISE(ABORT, 'what is on record in look is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `look_no_delete` BEFORE DELETE ON `look` BEGIN SELECT RAISE(ABORT, 'what is on record in look is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `look_setting_no_update` BEFORE UPDATE ON `look_setting` BEGIN SELECT RAISE(ABORT, 'what is on record in look_setting is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `look_setting_no_delete` BEFORE DELETE ON `look_setting` BEGIN SELECT RAISE(ABORT, 'what is on record in look_setting is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `preset_no_update` BEFORE UPDATE ON `preset` BEGIN SELECT RAISE(ABORT, 'what is on record in preset is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `preset_no_delete` BEFORE DELETE ON `preset` BEGIN SELECT RAISE(ABORT, 'what is on record in preset is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `preset_setting_no_update` BEFORE UPDATE ON `preset_setting` BEGIN SELECT RAISE(ABORT, 'what is on record in preset_setting is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `preset_setting_no_delete` BEFORE DELETE ON `preset_setting` BEGIN SELECT RAISE(ABORT, 'what is on record in preset_setting is neither changed nor deleted'); END;