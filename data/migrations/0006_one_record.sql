-- One record of what happened. Every table is made anew with its checks, and what is in it carried over.
ALTER TABLE `machine` RENAME TO `was_machine`;
--> statement-breakpoint
ALTER TABLE `point` RENAME TO `was_point`;
--> statement-breakpoint
ALTER TABLE `rig` RENAME TO `was_rig`;
--> statement-breakpoint
ALTER TABLE `variant` RENAME TO `was_variant`;
--> statement-breakpoint
ALTER TABLE `coupling` RENAME TO `was_coupling`;
--> statement-breakpoint
ALTER TABLE `coupling_event` RENAME TO `was_coupling_event`;
--> statement-breakpoint
ALTER TABLE `hookup_tick` RENAME TO `was_hookup_tick`;
--> statement-breakpoint
ALTER TABLE `weight` RENAME TO `was_weight`;
--> statement-breakpoint
ALTER TABLE `weight_fitted` RENAME TO `was_weight_fitted`;
--> statement-breakpoint
ALTER TABLE `tyre` RENAME TO `was_tyre`;
--> statement-breakpoint
ALTER TABLE `tyre_cell` RENAME TO `was_tyre_cell`;
--> statement-breakpoint
ALTER TABLE `axle_tyre` RENAME TO `was_axle_tyre`;
--> statement-breakpoint
ALTER TABLE `road_limits` RENAME TO `was_road_limits`;
--> statement-breakpoint
ALTER TABLE `hydraulics` RENAME TO `was_hydraulics`;
--> statement-breakpoint
ALTER TABLE `remote` RENAME TO `was_remote`;
--> statement-breakpoint
ALTER TABLE `hose_function` RENAME TO `was_hose_function`;
--> statement-breakpoint
ALTER TABLE `hose_pin` RENAME TO `was_hose_pin`;
--> statement-breakpoint
ALTER TABLE `hose_plan` RENAME TO `was_hose_plan`;
--> statement-breakpoint
ALTER TABLE `sequence_list` RENAME TO `was_sequence_list`;
--> statement-breakpoint
ALTER TABLE `run` RENAME TO `was_run`;
--> statement-breakpoint
ALTER TABLE `run_event` RENAME TO `was_run_event`;
--> statement-breakpoint
ALTER TABLE `setting_change` RENAME TO `was_setting_change`;
--> statement-breakpoint
ALTER TABLE `batch` RENAME TO `was_batch`;
--> statement-breakpoint
ALTER TABLE `photo` RENAME TO `was_photo`;
--> statement-breakpoint
ALTER TABLE `reading` RENAME TO `was_reading`;
--> statement-breakpoint
ALTER TABLE `section_layout` RENAME TO `was_section_layout`;
--> statement-breakpoint
ALTER TABLE `section` RENAME TO `was_section`;
--> statement-breakpoint
ALTER TABLE `change` RENAME TO `was_change`;
--> statement-breakpoint
ALTER TABLE `proof` RENAME TO `was_proof`;
--> statement-breakpoint
ALTER TABLE `field_test` RENAME TO `was_field_test`;
--> statement-breakpoint
ALTER TABLE `observation` RENAME TO `was_observation`;
--> statement-breakpoint
ALTER TABLE `practice` RENAME TO `was_practice`;
--> statement-breakpoint
ALTER TABLE `proof_term` RENAME TO `was_proof_term`;
--> statement-breakpoint
ALTER TABLE `retraction` RENAME TO `was_retraction`;
--> statement-breakpoint
ALTER TABLE `scheme` RENAME TO `was_scheme`;
--> statement-breakpoint
ALTER TABLE `scheme_line` RENAME TO `was_scheme_line`;
--> statement-breakpoint
ALTER TABLE `terminal` RENAME TO `was_terminal`;
--> statement-breakpoint
ALTER TABLE `card` RENAME TO `was_card`;
--> statement-breakpoint
ALTER TABLE `card_line` RENAME TO `was_card_line`;
--> statement-breakpoint
ALTER TABLE `readback` RENAME TO `was_readback`;
--> statement-breakpoint
DROP INDEX IF EXISTS `card_by_rig`;
--> statement-breakpoint
DROP INDEX IF EXISTS `card_number`;
--> statement-breakpoint
DROP INDEX IF EXISTS `change_by_machine`;
--> statement-breakpoint
DROP INDEX IF EXISTS `coupling_event_by_rig`;
--> statement-breakpoint
DROP INDEX IF EXISTS `field_test_by_rig`;
--> statement-breakpoint
DROP INDEX IF EXISTS `hookup_tick_by_line`;
--> statement-breakpoint
DROP INDEX IF EXISTS `hookup_tick_by_rig`;
--> statement-breakpoint
DROP INDEX IF EXISTS `hose_function_by_machine`;
--> statement-breakpoint
DROP INDEX IF EXISTS `hose_plan_by_rig`;
--> statement-breakpoint
DROP INDEX IF EXISTS `observation_by_test`;
--> statement-breakpoint
DROP INDEX IF EXISTS `proof_by_rig`;
--> statement-breakpoint
DROP INDEX IF EXISTS `readback_by_card`;
--> statement-breakpoint
DROP INDEX IF EXISTS `reading_by_coupling`;
--> statement-breakpoint
DROP INDEX IF EXISTS `reading_by_machine`;
--> statement-breakpoint
DROP INDEX IF EXISTS `reading_by_point`;
--> statement-breakpoint
DROP INDEX IF EXISTS `remote_number_in_use`;
--> statement-breakpoint
DROP INDEX IF EXISTS `retraction_by_batch`;
--> statement-breakpoint
DROP INDEX IF EXISTS `retraction_by_change`;
--> statement-breakpoint
DROP INDEX IF EXISTS `retraction_by_event`;
--> statement-breakpoint
DROP INDEX IF EXISTS `retraction_by_layout`;
--> statement-breakpoint
DROP INDEX IF EXISTS `retraction_by_observation`;
--> statement-breakpoint
DROP INDEX IF EXISTS `retraction_by_proof`;
--> statement-breakpoint
DROP INDEX IF EXISTS `retraction_by_reading`;
--> statement-breakpoint
DROP INDEX IF EXISTS `retraction_by_test`;
--> statement-breakpoint
DROP INDEX IF EXISTS `retraction_by_tick`;
--> statement-breakpoint
DROP INDEX IF EXISTS `run_by_rig`;
--> statement-breakpoint
DROP INDEX IF EXISTS `run_event_by_run`;
--> statement-breakpoint
DROP INDEX IF EXISTS `section_layout_by_machine`;
--> statement-breakpoint
DROP INDEX IF EXISTS `sequence_list_by_machine`;
--> statement-breakpoint
DROP INDEX IF EXISTS `variant_by_machine`;
--> statement-breakpoint
DROP INDEX IF EXISTS `weight_fitted_by_rig`;
--> statement-breakpoint
CREATE TABLE `card` (
	`seq` integer PRIMARY KEY NOT NULL,
	`tractor_id` integer NOT NULL,
	`number` integer NOT NULL,
	`scheme_name` text NOT NULL,
	`profile_name` text NOT NULL,
	`terminal_name` text DEFAULT '' NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`tractor_id`) REFERENCES `machine`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `card_line` (
	`card` integer NOT NULL,
	`position` integer NOT NULL,
	`page` text NOT NULL,
	`label` text NOT NULL,
	`figure` text NOT NULL,
	`word` text NOT NULL,
	`form` text NOT NULL,
	`derivation` text NOT NULL,
	`grade` text NOT NULL,
	PRIMARY KEY(`card`, `position`),
	FOREIGN KEY (`card`) REFERENCES `card`(`seq`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `readback` (
	`seq` integer PRIMARY KEY NOT NULL,
	`position` integer NOT NULL,
	`shown` text NOT NULL,
	`word` text NOT NULL,
	`outcome` text NOT NULL,
	`by` text NOT NULL,
	`wrong` text NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "readback_outcome" CHECK("readback"."outcome" in ('match', 'differs', 'missing')),
	CONSTRAINT "readback_wrong" CHECK("readback"."wrong" in ('', 'terminal', 'card'))
);
--> statement-breakpoint
CREATE TABLE `scheme` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`asks` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `scheme_line` (
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
	PRIMARY KEY(`scheme_id`, `position`),
	FOREIGN KEY (`scheme_id`) REFERENCES `scheme`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "scheme_line_measure" CHECK("scheme_line"."measure" in ('between', 'dimension', 'track spacing', 'choice')),
	CONSTRAINT "scheme_line_sign" CHECK("scheme_line"."sign" in ('signed', 'words', 'unsigned')),
	CONSTRAINT "scheme_line_sense" CHECK("scheme_line"."sense" in ('1', '-1'))
);
--> statement-breakpoint
CREATE TABLE `terminal` (
	`tractor_id` integer PRIMARY KEY NOT NULL,
	`scheme_id` text NOT NULL,
	`profile_name` text DEFAULT '' NOT NULL,
	`name` text DEFAULT '' NOT NULL,
	FOREIGN KEY (`tractor_id`) REFERENCES `machine`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`scheme_id`) REFERENCES `scheme`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `coupling_event` (
	`seq` integer PRIMARY KEY NOT NULL,
	`what` text NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "coupling_event_what" CHECK("coupling_event"."what" in ('coupled', 'uncoupled'))
);
--> statement-breakpoint
CREATE TABLE `tick` (
	`seq` integer PRIMARY KEY NOT NULL,
	`said` text NOT NULL,
	`state` text NOT NULL,
	`reason` text DEFAULT '' NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "tick_state" CHECK("tick"."state" in ('done', 'not applicable'))
);
--> statement-breakpoint
CREATE TABLE `weight_fitted` (
	`seq` integer PRIMARY KEY NOT NULL,
	`weight_id` integer NOT NULL,
	`count` integer NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`weight_id`) REFERENCES `weight`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `hose_function` (
	`id` integer PRIMARY KEY NOT NULL,
	`machine_id` integer NOT NULL,
	`position` integer NOT NULL,
	`name` text NOT NULL,
	`kind` text NOT NULL,
	`action` text NOT NULL,
	`uses` text NOT NULL,
	`automatic` integer NOT NULL,
	`trigger` integer NOT NULL,
	`lockable` integer NOT NULL,
	`place` text NOT NULL,
	`coupling` text DEFAULT '' NOT NULL,
	`pressure` real,
	`flow` real,
	`bore` real,
	`rod` real,
	`stroke` real,
	`cylinders` integer,
	`displacement` real,
	`speed` real,
	`case_drain` integer DEFAULT false NOT NULL,
	`charge` real,
	`tap` text DEFAULT '' NOT NULL,
	`archived_at` text,
	FOREIGN KEY (`machine_id`) REFERENCES `machine`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "hose_function_action" CHECK("hose_function"."action" in ('double', 'single', 'motor')),
	CONSTRAINT "hose_function_place" CHECK("hose_function"."place" in ('rear', 'front', 'mid'))
);
--> statement-breakpoint
CREATE TABLE `hose_pin` (
	`rig_id` integer NOT NULL,
	`function_id` integer NOT NULL,
	`remote_id` integer NOT NULL,
	PRIMARY KEY(`rig_id`, `function_id`),
	FOREIGN KEY (`rig_id`) REFERENCES `rig`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`function_id`) REFERENCES `hose_function`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`remote_id`) REFERENCES `remote`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `hose_plan` (
	`seq` integer PRIMARY KEY NOT NULL,
	`places` text NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `hydraulics` (
	`machine_id` integer PRIMARY KEY NOT NULL,
	`pump_flow` real,
	`pressure` real,
	`free_return` integer DEFAULT false NOT NULL,
	`power_beyond` integer DEFAULT false NOT NULL,
	`load_sensing` integer DEFAULT false NOT NULL,
	`spare_oil` real,
	`main_lever` integer,
	`sockets` text DEFAULT '[]' NOT NULL,
	FOREIGN KEY (`machine_id`) REFERENCES `machine`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `remote` (
	`id` integer PRIMARY KEY NOT NULL,
	`machine_id` integer NOT NULL,
	`number` integer NOT NULL,
	`lever` text DEFAULT '' NOT NULL,
	`action` text NOT NULL,
	`float` integer NOT NULL,
	`detent` integer NOT NULL,
	`timed` integer NOT NULL,
	`automatic` integer NOT NULL,
	`flow` real,
	`place` text NOT NULL,
	`coupling` text DEFAULT '' NOT NULL,
	`archived_at` text,
	FOREIGN KEY (`machine_id`) REFERENCES `machine`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "remote_action" CHECK("remote"."action" in ('double', 'single')),
	CONSTRAINT "remote_place" CHECK("remote"."place" in ('rear', 'front', 'mid'))
);
--> statement-breakpoint
CREATE TABLE `component` (
	`id` integer PRIMARY KEY NOT NULL,
	`machine_id` integer NOT NULL,
	`kind` text NOT NULL,
	`label` text NOT NULL,
	`x` real,
	`y` real,
	`place` integer,
	`archived_at` text,
	FOREIGN KEY (`machine_id`) REFERENCES `machine`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "component_kind_is_told" CHECK("component"."kind" <> ''),
	CONSTRAINT "component_place_counts_from_one" CHECK("component"."place" is null or "component"."place" >= 1)
);
--> statement-breakpoint
CREATE TABLE `coupling` (
	`id` integer PRIMARY KEY NOT NULL,
	`rig_id` integer NOT NULL,
	`parent_point_id` integer NOT NULL,
	`implement_id` integer NOT NULL,
	`parent_coupling_id` integer,
	`position` integer DEFAULT 1 NOT NULL,
	`variant_id` integer,
	FOREIGN KEY (`rig_id`) REFERENCES `rig`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`parent_point_id`) REFERENCES `point`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`implement_id`) REFERENCES `machine`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`parent_coupling_id`) REFERENCES `coupling`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`variant_id`) REFERENCES `variant`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `machine` (
	`id` integer PRIMARY KEY NOT NULL,
	`kind` text NOT NULL,
	`attachment` text DEFAULT 'drawn' NOT NULL,
	`make` text NOT NULL,
	`model` text NOT NULL,
	`fleet_number` text DEFAULT '' NOT NULL,
	`serial` text DEFAULT '' NOT NULL,
	`bus_name` text DEFAULT '' NOT NULL,
	`practice` integer DEFAULT false NOT NULL,
	`archived_at` text,
	CONSTRAINT "machine_kind" CHECK("machine"."kind" in ('tractor', 'self-propelled', 'implement')),
	CONSTRAINT "machine_attachment" CHECK("machine"."attachment" in ('drawn', 'links', 'semi', 'mounted', 'front', 'head', 'boom', 'frontBoom', 'train', 'third'))
);
--> statement-breakpoint
CREATE TABLE `point` (
	`id` integer PRIMARY KEY NOT NULL,
	`machine_id` integer NOT NULL,
	`kind` text NOT NULL,
	`label` text NOT NULL,
	FOREIGN KEY (`machine_id`) REFERENCES `machine`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "point_kind" CHECK("point"."kind" in ('receiver mount', 'drawbar hole', 'rear three-point', 'front three-point', 'rear PTO', 'front PTO', 'head mount', 'boom mount', 'rear hitch'))
);
--> statement-breakpoint
CREATE TABLE `rig` (
	`id` integer PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`tractor_id` integer NOT NULL,
	`receiver_point_id` integer NOT NULL,
	`archived_at` text,
	FOREIGN KEY (`tractor_id`) REFERENCES `machine`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`receiver_point_id`) REFERENCES `point`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `variant` (
	`id` integer PRIMARY KEY NOT NULL,
	`machine_id` integer NOT NULL,
	`name` text NOT NULL,
	`archived_at` text,
	FOREIGN KEY (`machine_id`) REFERENCES `machine`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `left_out` (
	`seq` integer PRIMARY KEY NOT NULL,
	`observation` integer NOT NULL,
	`out` integer NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`observation`) REFERENCES `observation`(`seq`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `observation` (
	`seq` integer PRIMARY KEY NOT NULL,
	`values` text NOT NULL,
	`choices` text NOT NULL,
	`texts` text NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `practice` (
	`rig_id` integer PRIMARY KEY NOT NULL,
	`seed` integer NOT NULL,
	`truths` text NOT NULL,
	`terminal` text NOT NULL,
	`drives` integer DEFAULT 0 NOT NULL,
	`at` text NOT NULL,
	FOREIGN KEY (`rig_id`) REFERENCES `rig`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `proof` (
	`seq` integer PRIMARY KEY NOT NULL,
	`what` text NOT NULL,
	`how` text NOT NULL,
	`result` text NOT NULL,
	`sigma` real,
	`wrote` integer,
	`test` integer,
	`evidence` text,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`wrote`) REFERENCES `reading`(`seq`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`test`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `proof_reading` (
	`proof` integer NOT NULL,
	`reading` integer NOT NULL,
	PRIMARY KEY(`proof`, `reading`),
	FOREIGN KEY (`proof`) REFERENCES `proof`(`seq`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`reading`) REFERENCES `reading`(`seq`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `proof_term` (
	`proof` integer NOT NULL,
	`dimension` text NOT NULL,
	`coefficient` real NOT NULL,
	PRIMARY KEY(`proof`, `dimension`),
	FOREIGN KEY (`proof`) REFERENCES `proof`(`seq`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `test_setup` (
	`seq` integer PRIMARY KEY NOT NULL,
	`conditions` text NOT NULL,
	`spacing` real,
	`row_to_row` integer DEFAULT false NOT NULL,
	`note` text DEFAULT '' NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `change` (
	`seq` integer PRIMARY KEY NOT NULL,
	`note` text DEFAULT '' NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `reading` (
	`seq` integer PRIMARY KEY NOT NULL,
	`raw_text` text NOT NULL,
	`value` real NOT NULL,
	`step` real NOT NULL,
	`reason` text DEFAULT '' NOT NULL,
	`sitting` text NOT NULL,
	`conditions` text DEFAULT '[]' NOT NULL,
	`note` text DEFAULT '' NOT NULL,
	`photo_id` text,
	`instrument` text NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`photo_id`) REFERENCES `photo`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "reading_instrument" CHECK("reading"."instrument" in ('tape', 'scale', 'gauge', 'look', 'book', 'estimate', 'file', 'field test'))
);
--> statement-breakpoint
CREATE TABLE `section` (
	`layout` integer NOT NULL,
	`number` integer NOT NULL,
	`width` real NOT NULL,
	`ahead` real DEFAULT 0 NOT NULL,
	`product` text DEFAULT '' NOT NULL,
	PRIMARY KEY(`layout`, `number`),
	FOREIGN KEY (`layout`) REFERENCES `section_layout`(`seq`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `section_layout` (
	`seq` integer PRIMARY KEY NOT NULL,
	`instrument` text NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "section_layout_instrument" CHECK("section_layout"."instrument" in ('tape', 'scale', 'gauge', 'look', 'book', 'estimate', 'file', 'field test'))
);
--> statement-breakpoint
CREATE TABLE `fact` (
	`seq` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`id` text NOT NULL,
	`kind` text NOT NULL,
	`machine_id` integer,
	`point_id` integer,
	`coupling_id` integer,
	`rig_id` integer,
	`component_id` integer,
	`variant_id` integer,
	`topic` text DEFAULT '' NOT NULL,
	`happened` text NOT NULL,
	`arrived` text NOT NULL,
	`person` text NOT NULL,
	`part_of` integer,
	`takes_back` integer,
	`about` text GENERATED ALWAYS AS (case when machine_id is not null then 'machine ' || machine_id when point_id is not null then 'point ' || point_id when coupling_id is not null then 'coupling ' || coupling_id when rig_id is not null then 'rig ' || rig_id when component_id is not null then 'component ' || component_id else 'yard' end) VIRTUAL,
	`slot` text GENERATED ALWAYS AS (topic || '/' || coalesce(variant_id, '')) VIRTUAL,
	FOREIGN KEY (`machine_id`) REFERENCES `machine`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`point_id`) REFERENCES `point`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`coupling_id`) REFERENCES `coupling`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`rig_id`) REFERENCES `rig`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`component_id`) REFERENCES `component`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`variant_id`) REFERENCES `variant`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`part_of`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`takes_back`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "fact_is_about_one_thing" CHECK(("fact"."machine_id" is not null) + ("fact"."point_id" is not null) + ("fact"."coupling_id" is not null) + ("fact"."rig_id" is not null) + ("fact"."component_id" is not null) <= 1),
	CONSTRAINT "fact_kind_is_told" CHECK("fact"."kind" <> ''),
	CONSTRAINT "fact_is_a_take_back_or_none" CHECK(("fact"."kind" = 'take-back') = ("fact"."takes_back" is not null)),
	CONSTRAINT "fact_has_times" CHECK("fact"."happened" >= '2' and "fact"."arrived" >= '2')
);
--> statement-breakpoint
CREATE TABLE `imported` (
	`seq` integer PRIMARY KEY NOT NULL,
	`file_name` text NOT NULL,
	`hash` text NOT NULL,
	`content` text NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `photo` (
	`id` text PRIMARY KEY NOT NULL,
	`type` text NOT NULL,
	`bytes` blob NOT NULL,
	`recorded_at` text NOT NULL,
	CONSTRAINT "photo_type" CHECK("photo"."type" in ('image/jpeg', 'image/png', 'image/webp'))
);
--> statement-breakpoint
CREATE TABLE `upload` (
	`id` text PRIMARY KEY NOT NULL,
	`file_name` text NOT NULL,
	`hash` text NOT NULL,
	`content` text NOT NULL,
	`arrived` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `run_event` (
	`seq` integer PRIMARY KEY NOT NULL,
	`what` text NOT NULL,
	`said` text NOT NULL,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "run_event_what" CHECK("run_event"."what" in ('done', 'back', 'aborted', 'finished'))
);
--> statement-breakpoint
CREATE TABLE `sequence_list` (
	`seq` integer PRIMARY KEY NOT NULL,
	`steps` text,
	FOREIGN KEY (`seq`) REFERENCES `fact`(`seq`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `axle_tyre` (
	`machine_id` integer NOT NULL,
	`axle` text NOT NULL,
	`tyre_id` integer NOT NULL,
	`count` integer NOT NULL,
	PRIMARY KEY(`machine_id`, `axle`),
	FOREIGN KEY (`machine_id`) REFERENCES `machine`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`tyre_id`) REFERENCES `tyre`(`id`) ON UPDATE no action ON DELETE no action,
	CONSTRAINT "axle_tyre_axle" CHECK("axle_tyre"."axle" in ('front', 'rear', 'tool'))
);
--> statement-breakpoint
CREATE TABLE `board` (
	`id` integer PRIMARY KEY NOT NULL,
	`build` text NOT NULL,
	`mark` integer NOT NULL,
	`standings` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `road_limits` (
	`id` integer PRIMARY KEY NOT NULL,
	`country` text DEFAULT '' NOT NULL,
	`width` real,
	`height` real,
	`speed` real,
	`unbraked` real
);
--> statement-breakpoint
CREATE TABLE `tyre` (
	`id` integer PRIMARY KEY NOT NULL,
	`label` text NOT NULL,
	`source` text DEFAULT '' NOT NULL
);
--> statement-breakpoint
CREATE TABLE `tyre_cell` (
	`tyre_id` integer NOT NULL,
	`speed` real NOT NULL,
	`pressure` real NOT NULL,
	`load` real NOT NULL,
	PRIMARY KEY(`tyre_id`, `speed`, `pressure`),
	FOREIGN KEY (`tyre_id`) REFERENCES `tyre`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `weight` (
	`id` integer PRIMARY KEY NOT NULL,
	`machine_id` integer NOT NULL,
	`label` text NOT NULL,
	`mass` real NOT NULL,
	`place` real NOT NULL,
	`count` integer NOT NULL,
	`archived_at` text,
	FOREIGN KEY (`machine_id`) REFERENCES `machine`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
INSERT INTO `machine` (`id`, `kind`, `attachment`, `make`, `model`, `fleet_number`, `serial`, `bus_name`, `practice`, `archived_at`) SELECT `id`, `kind`, `attachment`, `make`, `model`, `fleet_number`, `serial`, `bus_name`, `practice`, `archived_at` FROM `was_machine` ORDER BY rowid;
--> statement-breakpoint
INSERT INTO `point` (`id`, `machine_id`, `kind`, `label`) SELECT `id`, `machine_id`, `kind`, `label` FROM `was_point` ORDER BY rowid;
--> statement-breakpoint
INSERT INTO `variant` (`id`, `machine_id`, `name`, `archived_at`) SELECT `id`, `machine_id`, `name`, `archived_at` FROM `was_variant` ORDER BY rowid;
--> statement-breakpoint
INSERT INTO `rig` (`id`, `name`, `tractor_id`, `receiver_point_id`, `archived_at`) SELECT `id`, `name`, `tractor_id`, `receiver_point_id`, `archived_at` FROM `was_rig` ORDER BY rowid;
--> statement-breakpoint
INSERT INTO `coupling` (`id`, `rig_id`, `parent_point_id`, `implement_id`, `parent_coupling_id`, `position`, `variant_id`) SELECT `id`, `rig_id`, `parent_point_id`, `implement_id`, `parent_coupling_id`, `position`, `variant_id` FROM `was_coupling` ORDER BY rowid;
--> statement-breakpoint
INSERT INTO `weight` (`id`, `machine_id`, `label`, `mass`, `place`, `count`, `archived_at`) SELECT `id`, `machine_id`, `label`, `mass`, `place`, `count`, `archived_at` FROM `was_weight` ORDER BY rowid;
--> statement-breakpoint
INSERT INTO `tyre` (`id`, `label`, `source`) SELECT `id`, `label`, `source` FROM `was_tyre` ORDER BY rowid;
--> statement-breakpoint
INSERT INTO `tyre_cell` (`tyre_id`, `speed`, `pressure`, `load`) SELECT `tyre_id`, `speed`, `pressure`, `load` FROM `was_tyre_cell` ORDER BY rowid;
--> statement-breakpoint
INSERT INTO `axle_tyre` (`machine_id`, `axle`, `tyre_id`, `count`) SELECT `machine_id`, `axle`, `tyre_id`, `count` FROM `was_axle_tyre` ORDER BY rowid;
--> statement-breakpoint
INSERT INTO `road_limits` (`id`, `country`, `width`, `height`, `speed`, `unbraked`) SELECT `id`, `country`, `width`, `height`, `speed`, `unbraked` FROM `was_road_limits` ORDER BY rowid;
--> statement-breakpoint
INSERT INTO `hydraulics` (`machine_id`, `pump_flow`, `pressure`, `free_return`, `power_beyond`, `load_sensing`, `spare_oil`, `main_lever`, `sockets`) SELECT `machine_id`, `pump_flow`, `pressure`, `free_return`, `power_beyond`, `load_sensing`, `spare_oil`, `main_lever`, `sockets` FROM `was_hydraulics` ORDER BY rowid;
--> statement-breakpoint
INSERT INTO `remote` (`id`, `machine_id`, `number`, `lever`, `action`, `float`, `detent`, `timed`, `automatic`, `flow`, `place`, `coupling`, `archived_at`) SELECT `id`, `machine_id`, `number`, `lever`, `action`, `float`, `detent`, `timed`, `automatic`, `flow`, `place`, `coupling`, `archived_at` FROM `was_remote` ORDER BY rowid;
--> statement-breakpoint
INSERT INTO `hose_function` (`id`, `machine_id`, `position`, `name`, `kind`, `action`, `uses`, `automatic`, `trigger`, `lockable`, `place`, `coupling`, `pressure`, `flow`, `bore`, `rod`, `stroke`, `cylinders`, `displacement`, `speed`, `case_drain`, `charge`, `tap`, `archived_at`) SELECT `id`, `machine_id`, `position`, `name`, `kind`, `action`, `uses`, `automatic`, `trigger`, `lockable`, `place`, `coupling`, `pressure`, `flow`, `bore`, `rod`, `stroke`, `cylinders`, `displacement`, `speed`, `case_drain`, `charge`, `tap`, `archived_at` FROM `was_hose_function` ORDER BY rowid;
--> statement-breakpoint
INSERT INTO `hose_pin` (`rig_id`, `function_id`, `remote_id`) SELECT `rig_id`, `function_id`, `remote_id` FROM `was_hose_pin` ORDER BY rowid;
--> statement-breakpoint
INSERT INTO `photo` (`id`, `type`, `bytes`, `recorded_at`) SELECT `id`, `type`, `bytes`, `recorded_at` FROM `was_photo` ORDER BY rowid;
--> statement-breakpoint
INSERT INTO `practice` (`rig_id`, `seed`, `truths`, `terminal`, `drives`, `at`) SELECT `rig_id`, `seed`, `truths`, `terminal`, `drives`, `at` FROM `was_practice` ORDER BY rowid;
--> statement-breakpoint
INSERT INTO `scheme` (`id`, `name`, `asks`) SELECT `id`, `name`, `asks` FROM `was_scheme` ORDER BY rowid;
--> statement-breakpoint
INSERT INTO `scheme_line` (`scheme_id`, `position`, `page`, `label`, `measure`, `from_point`, `to_point`, `axis`, `dimension`, `choice`, `sense`, `unit`, `decimals`, `sign`, `plus_word`, `minus_word`) SELECT `scheme_id`, `position`, `page`, `label`, `measure`, `from_point`, `to_point`, `axis`, `dimension`, `choice`, `sense`, `unit`, `decimals`, `sign`, `plus_word`, `minus_word` FROM `was_scheme_line` ORDER BY rowid;
--> statement-breakpoint
INSERT INTO `terminal` (`tractor_id`, `scheme_id`, `profile_name`, `name`) SELECT `tractor_id`, `scheme_id`, `profile_name`, `name` FROM `was_terminal` ORDER BY rowid;
--> statement-breakpoint
CREATE TABLE `moved` AS SELECT *, row_number() OVER (ORDER BY reached, rank, n) AS seq, row_number() OVER (PARTITION BY id ORDER BY rank, n) AS twin FROM (SELECT *, max(arrived) OVER (PARTITION BY rank ORDER BY n) AS reached FROM (
SELECT 1 AS rank, t.rowid AS n, t.id AS id, CASE t.kind WHEN 'import' THEN 'import' ELSE 'acceptance' END AS kind, NULL AS machine_id, NULL AS point_id, (SELECT p.coupling_id FROM `was_proof` p WHERE p.batch_id = t.id AND t.kind = 'proof' LIMIT 1) AS coupling_id, NULL AS rig_id, NULL AS variant_id, '' AS topic, t.recorded_at AS happened, t.recorded_at AS arrived, t.person AS person, NULL AS part_rank, NULL AS part_id FROM `was_batch` t WHERE t.state = 'taken'
UNION ALL
SELECT 2 AS rank, t.rowid AS n, t.id AS id, 'reading' AS kind, t.machine_id AS machine_id, t.point_id AS point_id, t.coupling_id AS coupling_id, NULL AS rig_id, t.variant_id AS variant_id, t.dimension AS topic, t.measured_at AS happened, t.recorded_at AS arrived, t.person AS person, 1 AS part_rank, t.batch_id AS part_id FROM `was_reading` t
UNION ALL
SELECT 3 AS rank, t.rowid AS n, t.id AS id, 'sections' AS kind, t.machine_id AS machine_id, NULL AS point_id, NULL AS coupling_id, NULL AS rig_id, t.variant_id AS variant_id, '' AS topic, t.measured_at AS happened, t.recorded_at AS arrived, t.person AS person, 1 AS part_rank, t.batch_id AS part_id FROM `was_section_layout` t
UNION ALL
SELECT 4 AS rank, t.rowid AS n, t.id AS id, 'change' AS kind, t.machine_id AS machine_id, NULL AS point_id, NULL AS coupling_id, NULL AS rig_id, NULL AS variant_id, t.kind AS topic, t.at AS happened, t.recorded_at AS arrived, t.person AS person, 2 AS part_rank, t.id AS part_id FROM `was_change` t
UNION ALL
SELECT 5 AS rank, t.rowid AS n, t.id AS id, 'field test' AS kind, NULL AS machine_id, NULL AS point_id, t.coupling_id AS coupling_id, NULL AS rig_id, t.variant_id AS variant_id, t.kind AS topic, t.at AS happened, t.at AS arrived, t.person AS person, NULL AS part_rank, NULL AS part_id FROM `was_field_test` t
UNION ALL
SELECT 6 AS rank, t.rowid AS n, t.id || ' set-up' AS id, 'set-up' AS kind, NULL AS machine_id, NULL AS point_id, t.coupling_id AS coupling_id, NULL AS rig_id, t.variant_id AS variant_id, '' AS topic, t.at AS happened, t.at AS arrived, t.person AS person, 5 AS part_rank, t.id AS part_id FROM `was_field_test` t
UNION ALL
SELECT 7 AS rank, t.rowid AS n, t.id AS id, 'observation' AS kind, NULL AS machine_id, NULL AS point_id, (SELECT f.coupling_id FROM `was_field_test` f WHERE f.id = t.test_id) AS coupling_id, NULL AS rig_id, (SELECT f.variant_id FROM `was_field_test` f WHERE f.id = t.test_id) AS variant_id, '' AS topic, t.at AS happened, t.at AS arrived, t.person AS person, 5 AS part_rank, t.test_id AS part_id FROM `was_observation` t
UNION ALL
SELECT 8 AS rank, t.rowid AS n, t.id || ' left out' AS id, 'left out' AS kind, NULL AS machine_id, NULL AS point_id, (SELECT f.coupling_id FROM `was_field_test` f WHERE f.id = t.test_id) AS coupling_id, NULL AS rig_id, (SELECT f.variant_id FROM `was_field_test` f WHERE f.id = t.test_id) AS variant_id, t.id AS topic, t.at AS happened, t.at AS arrived, t.person AS person, 5 AS part_rank, t.test_id AS part_id FROM `was_observation` t WHERE t.left_out = 1
UNION ALL
SELECT 9 AS rank, t.rowid AS n, t.id AS id, 'proof' AS kind, NULL AS machine_id, NULL AS point_id, coalesce(t.coupling_id, (SELECT c.id FROM `was_coupling` c WHERE c.rig_id = t.rig_id AND c.position = 1)) AS coupling_id, NULL AS rig_id, t.variant_id AS variant_id, '' AS topic, t.at AS happened, t.recorded_at AS arrived, t.person AS person, 1 AS part_rank, t.batch_id AS part_id FROM `was_proof` t
UNION ALL
SELECT 10 AS rank, t.rowid AS n, t.id AS id, 'coupling' AS kind, NULL AS machine_id, NULL AS point_id, NULL AS coupling_id, t.rig_id AS rig_id, NULL AS variant_id, '' AS topic, t.at AS happened, t.at AS arrived, t.person AS person, NULL AS part_rank, NULL AS part_id FROM `was_coupling_event` t
UNION ALL
SELECT 11 AS rank, t.rowid AS n, t.id AS id, CASE WHEN t.line LIKE 'ladder %' THEN 'rung' ELSE 'tick' END AS kind, NULL AS machine_id, NULL AS point_id, NULL AS coupling_id, t.rig_id AS rig_id, NULL AS variant_id, CASE WHEN t.line LIKE 'ladder %' THEN substr(t.line, 8) ELSE t.line END AS topic, t.at AS happened, t.at AS arrived, t.person AS person, NULL AS part_rank, NULL AS part_id FROM `was_hookup_tick` t
UNION ALL
SELECT 12 AS rank, t.rowid AS n, t.id AS id, 'weights' AS kind, NULL AS machine_id, NULL AS point_id, NULL AS coupling_id, t.rig_id AS rig_id, NULL AS variant_id, t.weight_id AS topic, t.at AS happened, t.at AS arrived, t.person AS person, NULL AS part_rank, NULL AS part_id FROM `was_weight_fitted` t
UNION ALL
SELECT 13 AS rank, t.rowid AS n, t.id AS id, 'hoses' AS kind, NULL AS machine_id, NULL AS point_id, NULL AS coupling_id, t.rig_id AS rig_id, NULL AS variant_id, '' AS topic, t.at AS happened, t.at AS arrived, t.person AS person, NULL AS part_rank, NULL AS part_id FROM `was_hose_plan` t
UNION ALL
SELECT 14 AS rank, t.rowid AS n, t.id AS id, 'sequence' AS kind, t.machine_id AS machine_id, NULL AS point_id, NULL AS coupling_id, NULL AS rig_id, NULL AS variant_id, t.kind AS topic, t.at AS happened, t.at AS arrived, t.person AS person, NULL AS part_rank, NULL AS part_id FROM `was_sequence_list` t
UNION ALL
SELECT 15 AS rank, t.rowid AS n, t.id AS id, 'run' AS kind, NULL AS machine_id, NULL AS point_id, (SELECT min(c.id) FROM `was_coupling` c WHERE c.rig_id = t.rig_id AND c.implement_id = t.machine_id) AS coupling_id, NULL AS rig_id, NULL AS variant_id, t.kind AS topic, t.at AS happened, t.at AS arrived, t.person AS person, NULL AS part_rank, NULL AS part_id FROM `was_run` t
UNION ALL
SELECT 16 AS rank, t.rowid AS n, t.id AS id, 'run event' AS kind, NULL AS machine_id, NULL AS point_id, (SELECT min(c.id) FROM `was_run` r JOIN `was_coupling` c ON c.rig_id = r.rig_id AND c.implement_id = r.machine_id WHERE r.id = t.run_id) AS coupling_id, NULL AS rig_id, NULL AS variant_id, t.step AS topic, t.at AS happened, t.at AS arrived, t.person AS person, 15 AS part_rank, t.run_id AS part_id FROM `was_run_event` t
UNION ALL
SELECT 17 AS rank, t.rowid AS n, t.id AS id, 'setting' AS kind, NULL AS machine_id, NULL AS point_id, NULL AS coupling_id, NULL AS rig_id, NULL AS variant_id, t.what AS topic, t.at AS happened, t.at AS arrived, '' AS person, NULL AS part_rank, NULL AS part_id FROM `was_setting_change` t
UNION ALL
SELECT 18 AS rank, t.rowid AS n, 'card ' || t.id AS id, 'card' AS kind, NULL AS machine_id, NULL AS point_id, coalesce(t.coupling_id, (SELECT c.id FROM `was_coupling` c WHERE c.rig_id = t.rig_id AND c.position = 1)) AS coupling_id, NULL AS rig_id, NULL AS variant_id, '' AS topic, t.issued_at AS happened, t.issued_at AS arrived, t.person AS person, NULL AS part_rank, NULL AS part_id FROM `was_card` t
UNION ALL
SELECT 19 AS rank, t.rowid AS n, t.id AS id, 'read-back' AS kind, NULL AS machine_id, NULL AS point_id, (SELECT coalesce(k.coupling_id, c.id) FROM `was_card` k LEFT JOIN `was_coupling` c ON c.rig_id = k.rig_id AND c.position = 1 WHERE k.id = t.card_id) AS coupling_id, NULL AS rig_id, NULL AS variant_id, t.position AS topic, t.at AS happened, t.at AS arrived, t.person AS person, 18 AS part_rank, 'card ' || t.card_id AS part_id FROM `was_readback` t
));
--> statement-breakpoint
CREATE INDEX `moved_by_id` ON `moved` (rank, id);
--> statement-breakpoint
CREATE INDEX `moved_by_row` ON `moved` (rank, n);
--> statement-breakpoint
INSERT INTO `fact` (`seq`, `id`, `kind`, `machine_id`, `point_id`, `coupling_id`, `rig_id`, `variant_id`, `topic`, `happened`, `arrived`, `person`, `part_of`)
SELECT m.seq, CASE WHEN m.twin = 1 THEN m.id ELSE m.id || ' ' || m.kind END, m.kind, m.machine_id, m.point_id, m.coupling_id, m.rig_id, m.variant_id, m.topic, m.happened, m.arrived, m.person,
(SELECT p.seq FROM `moved` p WHERE p.rank = m.part_rank AND p.id = m.part_id)
FROM `moved` m ORDER BY m.seq;
--> statement-breakpoint
INSERT INTO `imported` (`seq`, `file_name`, `hash`, `content`) SELECT m.seq, t.`file_name`, t.`hash`, t.`content` FROM `was_batch` t JOIN `moved` m ON m.rank = 1 AND m.n = t.rowid WHERE t.kind = 'import' ORDER BY m.seq;
--> statement-breakpoint
INSERT INTO `upload` (`id`, `file_name`, `hash`, `content`, `arrived`) SELECT id, file_name, hash, content, recorded_at FROM `was_batch` WHERE state = 'preview';
--> statement-breakpoint
INSERT INTO `reading` (`seq`, `raw_text`, `value`, `step`, `reason`, `sitting`, `conditions`, `note`, `photo_id`, `instrument`) SELECT m.seq, t.raw_text, t.value, t.step, t.reason, CASE t.sitting WHEN '' THEN t.id ELSE t.sitting END, t.conditions, t.note, t.photo_id, t.instrument FROM `was_reading` t JOIN `moved` m ON m.rank = 2 AND m.n = t.rowid ORDER BY m.seq;
--> statement-breakpoint
INSERT INTO `section_layout` (`seq`, `instrument`) SELECT m.seq, t.`instrument` FROM `was_section_layout` t JOIN `moved` m ON m.rank = 3 AND m.n = t.rowid ORDER BY m.seq;
--> statement-breakpoint
INSERT INTO `section` (`layout`, `number`, `width`, `ahead`, `product`) SELECT m.seq, t.number, t.width, t.ahead, t.product FROM `was_section` t JOIN `moved` m ON m.rank = 3 AND m.id = t.layout_id;
--> statement-breakpoint
INSERT INTO `change` (`seq`, `note`) SELECT m.seq, t.`note` FROM `was_change` t JOIN `moved` m ON m.rank = 4 AND m.n = t.rowid ORDER BY m.seq;
--> statement-breakpoint
INSERT INTO `test_setup` (`seq`, `conditions`, `spacing`, `row_to_row`, `note`) SELECT m.seq, t.`conditions`, t.`spacing`, t.`row_to_row`, t.`note` FROM `was_field_test` t JOIN `moved` m ON m.rank = 6 AND m.n = t.rowid ORDER BY m.seq;
--> statement-breakpoint
INSERT INTO `observation` (`seq`, `values`, `choices`, `texts`) SELECT m.seq, t.`values`, t.`choices`, t.`texts` FROM `was_observation` t JOIN `moved` m ON m.rank = 7 AND m.n = t.rowid ORDER BY m.seq;
--> statement-breakpoint
INSERT INTO `left_out` (`seq`, `observation`, `out`) SELECT m.seq, o.seq, 1 FROM `was_observation` t JOIN `moved` m ON m.rank = 8 AND m.n = t.rowid JOIN `moved` o ON o.rank = 7 AND o.n = t.rowid ORDER BY m.seq;
--> statement-breakpoint
INSERT INTO `proof` (`seq`, `what`, `how`, `result`, `sigma`, `wrote`, `test`, `evidence`) SELECT m.seq, t.what, t.how, t.result, t.sigma, (SELECT r.seq FROM `moved` r WHERE r.rank = 2 AND r.id = t.reading_id), (SELECT f.seq FROM `moved` f WHERE f.rank = 5 AND f.id = t.test_id), t.evidence FROM `was_proof` t JOIN `moved` m ON m.rank = 9 AND m.n = t.rowid ORDER BY m.seq;
--> statement-breakpoint
INSERT INTO `proof_term` (`proof`, `dimension`, `coefficient`) SELECT m.seq, t.dimension, t.coefficient FROM `was_proof_term` t JOIN `moved` m ON m.rank = 9 AND m.id = t.proof_id;
--> statement-breakpoint
INSERT INTO `coupling_event` (`seq`, `what`) SELECT m.seq, t.kind FROM `was_coupling_event` t JOIN `moved` m ON m.rank = 10 AND m.n = t.rowid ORDER BY m.seq;
--> statement-breakpoint
INSERT INTO `tick` (`seq`, `said`, `state`, `reason`) SELECT m.seq, t.`said`, t.`state`, t.`reason` FROM `was_hookup_tick` t JOIN `moved` m ON m.rank = 11 AND m.n = t.rowid ORDER BY m.seq;
--> statement-breakpoint
INSERT INTO `weight_fitted` (`seq`, `weight_id`, `count`) SELECT m.seq, t.`weight_id`, t.`count` FROM `was_weight_fitted` t JOIN `moved` m ON m.rank = 12 AND m.n = t.rowid ORDER BY m.seq;
--> statement-breakpoint
INSERT INTO `hose_plan` (`seq`, `places`) SELECT m.seq, t.`places` FROM `was_hose_plan` t JOIN `moved` m ON m.rank = 13 AND m.n = t.rowid ORDER BY m.seq;
--> statement-breakpoint
INSERT INTO `sequence_list` (`seq`, `steps`) SELECT m.seq, t.`steps` FROM `was_sequence_list` t JOIN `moved` m ON m.rank = 14 AND m.n = t.rowid ORDER BY m.seq;
--> statement-breakpoint
INSERT INTO `run_event` (`seq`, `what`, `said`) SELECT m.seq, t.`what`, t.`said` FROM `was_run_event` t JOIN `moved` m ON m.rank = 16 AND m.n = t.rowid ORDER BY m.seq;
--> statement-breakpoint
INSERT INTO `card` (`seq`, `tractor_id`, `number`, `scheme_name`, `profile_name`, `terminal_name`) SELECT m.seq, t.`tractor_id`, t.`number`, t.`scheme_name`, t.`profile_name`, t.`terminal_name` FROM `was_card` t JOIN `moved` m ON m.rank = 18 AND m.n = t.rowid ORDER BY m.seq;
--> statement-breakpoint
INSERT INTO `card_line` (`card`, `position`, `page`, `label`, `figure`, `word`, `form`, `derivation`, `grade`) SELECT m.seq, t.`position`, t.`page`, t.`label`, t.`figure`, t.`word`, t.`form`, t.`derivation`, t.`grade` FROM `was_card_line` t JOIN `moved` m ON m.rank = 18 AND m.n = t.card_id;
--> statement-breakpoint
INSERT INTO `readback` (`seq`, `position`, `shown`, `word`, `outcome`, `by`, `wrong`) SELECT m.seq, t.`position`, t.`shown`, t.`word`, t.`outcome`, t.`by`, t.`wrong` FROM `was_readback` t JOIN `moved` m ON m.rank = 19 AND m.n = t.rowid ORDER BY m.seq;
--> statement-breakpoint
INSERT INTO `fact` (`id`, `kind`, `machine_id`, `point_id`, `coupling_id`, `rig_id`, `variant_id`, `topic`, `happened`, `arrived`, `person`, `takes_back`)
SELECT 'taken back ' || f.seq, 'take-back', f.machine_id, f.point_id, f.coupling_id, f.rig_id, f.variant_id, f.kind, r.recorded_at, r.recorded_at, r.person, f.seq
FROM (SELECT *, row_number() OVER (PARTITION BY target ORDER BY n) AS nth FROM (SELECT t.rowid AS n, t.id, t.person, t.recorded_at, (SELECT m.seq FROM `moved` m WHERE m.rank = 2 AND m.id = t.reading_id) AS target FROM `was_retraction` t WHERE t.reading_id IS NOT NULL UNION ALL SELECT t.rowid AS n, t.id, t.person, t.recorded_at, (SELECT m.seq FROM `moved` m WHERE m.rank = 3 AND m.id = t.layout_id) AS target FROM `was_retraction` t WHERE t.layout_id IS NOT NULL UNION ALL SELECT t.rowid AS n, t.id, t.person, t.recorded_at, (SELECT m.seq FROM `moved` m WHERE m.rank = 1 AND m.id = t.batch_id) AS target FROM `was_retraction` t WHERE t.batch_id IS NOT NULL UNION ALL SELECT t.rowid AS n, t.id, t.person, t.recorded_at, (SELECT m.seq FROM `moved` m WHERE m.rank = 4 AND m.id = t.change_id) AS target FROM `was_retraction` t WHERE t.change_id IS NOT NULL UNION ALL SELECT t.rowid AS n, t.id, t.person, t.recorded_at, (SELECT m.seq FROM `moved` m WHERE m.rank = 9 AND m.id = t.proof_id) AS target FROM `was_retraction` t WHERE t.proof_id IS NOT NULL UNION ALL SELECT t.rowid AS n, t.id, t.person, t.recorded_at, (SELECT m.seq FROM `moved` m WHERE m.rank = 11 AND m.id = t.tick_id) AS target FROM `was_retraction` t WHERE t.tick_id IS NOT NULL UNION ALL SELECT t.rowid AS n, t.id, t.person, t.recorded_at, (SELECT m.seq FROM `moved` m WHERE m.rank = 10 AND m.id = t.event_id) AS target FROM `was_retraction` t WHERE t.event_id IS NOT NULL UNION ALL SELECT t.rowid AS n, t.id, t.person, t.recorded_at, (SELECT m.seq FROM `moved` m WHERE m.rank = 7 AND m.id = t.observation_id) AS target FROM `was_retraction` t WHERE t.observation_id IS NOT NULL UNION ALL SELECT t.rowid AS n, t.id, t.person, t.recorded_at, (SELECT m.seq FROM `moved` m WHERE m.rank = 5 AND m.id = t.test_id) AS target FROM `was_retraction` t WHERE t.test_id IS NOT NULL)) r JOIN `fact` f ON f.seq = r.target WHERE r.nth = 1 ORDER BY r.n;
--> statement-breakpoint
DROP TABLE `moved`;
--> statement-breakpoint
DROP TABLE `was_machine`;
--> statement-breakpoint
DROP TABLE `was_point`;
--> statement-breakpoint
DROP TABLE `was_rig`;
--> statement-breakpoint
DROP TABLE `was_variant`;
--> statement-breakpoint
DROP TABLE `was_coupling`;
--> statement-breakpoint
DROP TABLE `was_coupling_event`;
--> statement-breakpoint
DROP TABLE `was_hookup_tick`;
--> statement-breakpoint
DROP TABLE `was_weight`;
--> statement-breakpoint
DROP TABLE `was_weight_fitted`;
--> statement-breakpoint
DROP TABLE `was_tyre`;
--> statement-breakpoint
DROP TABLE `was_tyre_cell`;
--> statement-breakpoint
DROP TABLE `was_axle_tyre`;
--> statement-breakpoint
DROP TABLE `was_road_limits`;
--> statement-breakpoint
DROP TABLE `was_hydraulics`;
--> statement-breakpoint
DROP TABLE `was_remote`;
--> statement-breakpoint
DROP TABLE `was_hose_function`;
--> statement-breakpoint
DROP TABLE `was_hose_pin`;
--> statement-breakpoint
DROP TABLE `was_hose_plan`;
--> statement-breakpoint
DROP TABLE `was_sequence_list`;
--> statement-breakpoint
DROP TABLE `was_run`;
--> statement-breakpoint
DROP TABLE `was_run_event`;
--> statement-breakpoint
DROP TABLE `was_setting_change`;
--> statement-breakpoint
DROP TABLE `was_batch`;
--> statement-breakpoint
DROP TABLE `was_photo`;
--> statement-breakpoint
DROP TABLE `was_reading`;
--> statement-breakpoint
DROP TABLE `was_section_layout`;
--> statement-breakpoint
DROP TABLE `was_section`;
--> statement-breakpoint
DROP TABLE `was_change`;
--> statement-breakpoint
DROP TABLE `was_proof`;
--> statement-breakpoint
DROP TABLE `was_field_test`;
--> statement-breakpoint
DROP TABLE `was_observation`;
--> statement-breakpoint
DROP TABLE `was_practice`;
--> statement-breakpoint
DROP TABLE `was_proof_term`;
--> statement-breakpoint
DROP TABLE `was_retraction`;
--> statement-breakpoint
DROP TABLE `was_scheme`;
--> statement-breakpoint
DROP TABLE `was_scheme_line`;
--> statement-breakpoint
DROP TABLE `was_terminal`;
--> statement-breakpoint
DROP TABLE `was_card`;
--> statement-breakpoint
DROP TABLE `was_card_line`;
--> statement-breakpoint
DROP TABLE `was_readback`;
--> statement-breakpoint
CREATE UNIQUE INDEX `card_number` ON `card` (`tractor_id`,`number`);
--> statement-breakpoint
CREATE INDEX `hose_function_by_machine` ON `hose_function` (`machine_id`);
--> statement-breakpoint
CREATE UNIQUE INDEX `remote_number_in_use` ON `remote` (`machine_id`,`number`) WHERE "remote"."archived_at" is null;
--> statement-breakpoint
CREATE INDEX `component_by_machine` ON `component` (`machine_id`,`kind`,`place`);
--> statement-breakpoint
CREATE INDEX `coupling_by_rig` ON `coupling` (`rig_id`,`position`);
--> statement-breakpoint
CREATE INDEX `point_by_machine` ON `point` (`machine_id`);
--> statement-breakpoint
CREATE INDEX `variant_by_machine` ON `variant` (`machine_id`);
--> statement-breakpoint
CREATE INDEX `reading_by_sitting` ON `reading` (`sitting`);
--> statement-breakpoint
CREATE UNIQUE INDEX `fact_id` ON `fact` (`id`);
--> statement-breakpoint
CREATE UNIQUE INDEX `fact_taken_back_once` ON `fact` (`takes_back`) WHERE "fact"."takes_back" is not null;
--> statement-breakpoint
CREATE INDEX `fact_by_slot` ON `fact` (`about`,`kind`,`slot`,`happened`);
--> statement-breakpoint
CREATE INDEX `fact_settings` ON `fact` (`kind`) WHERE "fact"."kind" = 'setting';
--> statement-breakpoint
CREATE INDEX `fact_by_part` ON `fact` (`part_of`) WHERE "fact"."part_of" is not null;
--> statement-breakpoint
CREATE INDEX `weight_by_machine` ON `weight` (`machine_id`);
--> statement-breakpoint
CREATE TRIGGER `card_no_update` BEFORE UPDATE ON `card` BEGIN SELECT RAISE(ABORT, 'what is on record in card is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `card_no_delete` BEFORE DELETE ON `card` BEGIN SELECT RAISE(ABORT, 'what is on record in card is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `readback_no_update` BEFORE UPDATE ON `readback` BEGIN SELECT RAISE(ABORT, 'what is on record in readback is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `readback_no_delete` BEFORE DELETE ON `readback` BEGIN SELECT RAISE(ABORT, 'what is on record in readback is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `coupling_event_no_update` BEFORE UPDATE ON `coupling_event` BEGIN SELECT RAISE(ABORT, 'what is on record in coupling_event is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `coupling_event_no_delete` BEFORE DELETE ON `coupling_event` BEGIN SELECT RAISE(ABORT, 'what is on record in coupling_event is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `tick_no_update` BEFORE UPDATE ON `tick` BEGIN SELECT RAISE(ABORT, 'what is on record in tick is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `tick_no_delete` BEFORE DELETE ON `tick` BEGIN SELECT RAISE(ABORT, 'what is on record in tick is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `weight_fitted_no_update` BEFORE UPDATE ON `weight_fitted` BEGIN SELECT RAISE(ABORT, 'what is on record in weight_fitted is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `weight_fitted_no_delete` BEFORE DELETE ON `weight_fitted` BEGIN SELECT RAISE(ABORT, 'what is on record in weight_fitted is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `hose_plan_no_update` BEFORE UPDATE ON `hose_plan` BEGIN SELECT RAISE(ABORT, 'what is on record in hose_plan is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `hose_plan_no_delete` BEFORE DELETE ON `hose_plan` BEGIN SELECT RAISE(ABORT, 'what is on record in hose_plan is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `left_out_no_update` BEFORE UPDATE ON `left_out` BEGIN SELECT RAISE(ABORT, 'what is on record in left_out is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `left_out_no_delete` BEFORE DELETE ON `left_out` BEGIN SELECT RAISE(ABORT, 'what is on record in left_out is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `observation_no_update` BEFORE UPDATE ON `observation` BEGIN SELECT RAISE(ABORT, 'what is on record in observation is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `observation_no_delete` BEFORE DELETE ON `observation` BEGIN SELECT RAISE(ABORT, 'what is on record in observation is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `proof_no_update` BEFORE UPDATE ON `proof` BEGIN SELECT RAISE(ABORT, 'what is on record in proof is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `proof_no_delete` BEFORE DELETE ON `proof` BEGIN SELECT RAISE(ABORT, 'what is on record in proof is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `test_setup_no_update` BEFORE UPDATE ON `test_setup` BEGIN SELECT RAISE(ABORT, 'what is on record in test_setup is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `test_setup_no_delete` BEFORE DELETE ON `test_setup` BEGIN SELECT RAISE(ABORT, 'what is on record in test_setup is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `change_no_update` BEFORE UPDATE ON `change` BEGIN SELECT RAISE(ABORT, 'what is on record in change is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `change_no_delete` BEFORE DELETE ON `change` BEGIN SELECT RAISE(ABORT, 'what is on record in change is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `reading_no_update` BEFORE UPDATE ON `reading` BEGIN SELECT RAISE(ABORT, 'what is on record in reading is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `reading_no_delete` BEFORE DELETE ON `reading` BEGIN SELECT RAISE(ABORT, 'what is on record in reading is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `section_layout_no_update` BEFORE UPDATE ON `section_layout` BEGIN SELECT RAISE(ABORT, 'what is on record in section_layout is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `section_layout_no_delete` BEFORE DELETE ON `section_layout` BEGIN SELECT RAISE(ABORT, 'what is on record in section_layout is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `fact_no_update` BEFORE UPDATE ON `fact` BEGIN SELECT RAISE(ABORT, 'what is on record in fact is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `fact_no_delete` BEFORE DELETE ON `fact` BEGIN SELECT RAISE(ABORT, 'what is on record in fact is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `imported_no_update` BEFORE UPDATE ON `imported` BEGIN SELECT RAISE(ABORT, 'what is on record in imported is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `imported_no_delete` BEFORE DELETE ON `imported` BEGIN SELECT RAISE(ABORT, 'what is on record in imported is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `run_event_no_update` BEFORE UPDATE ON `run_event` BEGIN SELECT RAISE(ABORT, 'what is on record in run_event is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `run_event_no_delete` BEFORE DELETE ON `run_event` BEGIN SELECT RAISE(ABORT, 'what is on record in run_event is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `sequence_list_no_update` BEFORE UPDATE ON `sequence_list` BEGIN SELECT RAISE(ABORT, 'what is on record in sequence_list is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `sequence_list_no_delete` BEFORE DELETE ON `sequence_list` BEGIN SELECT RAISE(ABORT, 'what is on record in sequence_list is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `photo_no_update` BEFORE UPDATE ON `photo` BEGIN SELECT RAISE(ABORT, 'what is on record in photo is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `photo_no_delete` BEFORE DELETE ON `photo` BEGIN SELECT RAISE(ABORT, 'what is on record in photo is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `section_no_update` BEFORE UPDATE ON `section` BEGIN SELECT RAISE(ABORT, 'what is on record in section is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `section_no_delete` BEFORE DELETE ON `section` BEGIN SELECT RAISE(ABORT, 'what is on record in section is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `card_line_no_update` BEFORE UPDATE ON `card_line` BEGIN SELECT RAISE(ABORT, 'what is on record in card_line is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `card_line_no_delete` BEFORE DELETE ON `card_line` BEGIN SELECT RAISE(ABORT, 'what is on record in card_line is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `proof_term_no_update` BEFORE UPDATE ON `proof_term` BEGIN SELECT RAISE(ABORT, 'what is on record in proof_term is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `proof_term_no_delete` BEFORE DELETE ON `proof_term` BEGIN SELECT RAISE(ABORT, 'what is on record in proof_term is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `proof_reading_no_update` BEFORE UPDATE ON `proof_reading` BEGIN SELECT RAISE(ABORT, 'what is on record in proof_reading is neither changed nor deleted'); END;
--> statement-breakpoint
CREATE TRIGGER `proof_reading_no_delete` BEFORE DELETE ON `proof_reading` BEGIN SELECT RAISE(ABORT, 'what is on record in proof_reading is neither changed nor deleted'); END;
