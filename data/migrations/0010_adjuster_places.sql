PRAGMA foreign_keys=OFF;--> statement-breakpoint
CREATE TABLE `__new_adjuster` (
	`component_id` integer PRIMARY KEY NOT NULL,
	`form` text NOT NULL,
	`low` integer NOT NULL,
	`high` integer NOT NULL,
	`storage` integer,
	`start` integer,
	`front` real,
	`rear` real,
	`across` real,
	`measure` text,
	`amount` real,
	`front_error` real,
	`rear_error` real,
	`across_error` real,
	`amount_error` real,
	`pair_id` integer,
	`difference` integer DEFAULT 0 NOT NULL,
	`master_id` integer,
	`up` real,
	`learnt_from` text,
	`how` text DEFAULT '' NOT NULL,
	FOREIGN KEY (`component_id`) REFERENCES `component`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`pair_id`) REFERENCES `component`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`master_id`) REFERENCES `component`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "adjuster_form" CHECK("__new_adjuster"."form" in ('turnbuckle', 'shims', 'hole', 'notch', 'crank', 'spindle', 'spring', 'stop', 'pressure')),
	CONSTRAINT "adjuster_measure" CHECK("__new_adjuster"."measure" in ('lean', 'leanApart', 'frontLean', 'firstFurrow', 'pull', 'coulterReach', 'coulterDepth', 'skimmerDepth', 'springLength', 'packerRun', 'downforce', 'seedDepth', 'closing', 'wheelClear', 'fingerFloat', 'bladeDepth', 'unitSpring', 'discBelow', 'shankLean', 'workDepth', 'sideLevel', 'bedPitch', 'cutHeight', 'suspension', 'standClear', 'swath', 'tineHeight', 'sensitivity', 'wingLeft', 'wingRight', 'zero')),
	CONSTRAINT "adjuster_moves_one_thing" CHECK("__new_adjuster"."measure" is null or "__new_adjuster"."front" is null),
	CONSTRAINT "adjuster_amount_is_of_a_measure" CHECK("__new_adjuster"."measure" is not null or "__new_adjuster"."amount" is null),
	CONSTRAINT "adjuster_has_a_range" CHECK("__new_adjuster"."low" <= "__new_adjuster"."high"),
	CONSTRAINT "adjuster_effect_is_whole" CHECK(("__new_adjuster"."front" is null) = ("__new_adjuster"."rear" is null) and ("__new_adjuster"."front" is null) = ("__new_adjuster"."across" is null))
);
--> statement-breakpoint
INSERT INTO `__new_adjuster`("component_id", "form", "low", "high", "storage", "start", "front", "rear", "across", "measure", "amount", "front_error", "rear_error", "across_error", "amount_error", "pair_id", "difference", "master_id", "up", "learnt_from", "how") SELECT "component_id", "form", "low", "high", "storage", null, "front", "rear", "across", "measure", "amount", null, null, null, null, "pair_id", "difference", null, null, "learnt_from", "how" FROM `adjuster`;--> statement-breakpoint
DROP TABLE `adjuster`;--> statement-breakpoint
ALTER TABLE `__new_adjuster` RENAME TO `adjuster`;--> statement-breakpoint
PRAGMA foreign_keys=ON;