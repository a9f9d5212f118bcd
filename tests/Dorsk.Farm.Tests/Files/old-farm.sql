-- Rows of a small farm as older builds wrote them. A heading says from which step of the data file on they can stand.
-- from 0005
INSERT INTO entry(id, entered, author) VALUES ('a', 1767225600000, 'Manager');
INSERT INTO log(line, entry, n, kind, pond, happened, entered, author, as_typed) VALUES
  (1, 'a', 0, 'FarmDescribed', NULL, 1767225600000, 1767225600000, 'Manager', ''),
  (2, 'a', 1, 'PersonNamed', NULL, 1767225600000, 1767225600000, 'Manager', ''),
  (3, 'a', 2, 'PondBuilt', NULL, 1767225600000, 1767225600000, 'Manager', ''),
  (4, 'a', 3, 'PondBuilt', NULL, 1767225600000, 1767225600000, 'Manager', ''),
  (5, 'a', 4, 'AeratorsFitted', 3, 1767225600000, 1767225600000, 'Manager', ''),
  (6, 'a', 5, 'FeedNamed', NULL, 1767225600000, 1767225600000, 'Manager', ''),
  (7, 'a', 6, 'FeedReceived', NULL, 1767312000000, 1767312000000, 'Manager', ''),
  (8, 'a', 7, 'FishStocked', 3, 1767312000000, 1767312000000, 'Manager', ''),
  (9, 'a', 8, 'FishLost', 3, 1767398400000, 1767398400000, 'Manager', '10 dead'),
  (10, 'a', 9, 'ReadingTaken', 3, 1767398400000, 1767398400000, 'Manager', ''),
  (11, 'a', 10, 'FeedingGiven', 3, 1767398400000, 1767398400000, 'Manager', ''),
  (12, 'a', 11, 'FishSampled', 3, 1767484800000, 1767484800000, 'Manager', ''),
  (13, 'a', 12, 'FishMoved', 3, 1767571200000, 1767571200000, 'Manager', ''),
  (14, 'a', 13, 'PondWorked', 3, 1767571200000, 1767571200000, 'Manager', '');
INSERT INTO farm(line, name, place_name, latitude, longitude, altitude_m, zone, units, decimal_sign, currency)
  VALUES (1, 'Old farm', 'made up', -29.4, 152.6, 60, 'Etc/GMT-10', 'Metric', 'Point', 'AUD');
INSERT INTO person(line, name, role) VALUES (2, 'Manager', 'Manager');
INSERT INTO pond(line, pond, code, name, kind, use, shape, length_m, width_m, depth_m, slope) VALUES
  (3, 3, 'P1', '', 'Earthen', 'grow-out', 'SlopedRectangle', 40, 25, 1.4, 2),
  (4, 4, 'P2', '', 'Earthen', 'grow-out', 'SlopedRectangle', 40, 25, 1.4, 2);
INSERT INTO aerators_fitted(line, pond) VALUES (5, 3);
INSERT INTO aerator(line, n, code, kind, shaft_kw, on_minute, off_minute) VALUES (5, 0, 'A1', 'paddlewheel, electric, pond', 0.75, 1200, 390);
INSERT INTO feed(line, feed, name, pellet_mm, protein_pct, price_minor_per_kg) VALUES (6, 6, 'grower', 4, 35, 150);
INSERT INTO feed_received(line, feed, lot, mass_kg, expiry) VALUES (7, 6, 'L1', 500, '2026-12-01');
INSERT INTO stocking(line, batch, pond, species, origin, count, mean_g, basis, not_ready_reason, target_g)
  VALUES (8, 8, 3, 'silver_perch', 'hatchery', 1000, 50, 'ByWeight', 'first fish', NULL);
INSERT INTO posting(line, n, batch, account, pond, count, mass_g, basis) VALUES
  (8, 0, 8, 'Supplier', NULL, -1000, -50000, 'ByWeight'), (8, 1, 8, 'Pond', 3, 1000, 50000, 'ByWeight'),
  (9, 0, 8, 'Pond', 3, -10, 0, 'Counted'), (9, 1, 8, 'Dead', NULL, 10, 0, 'Counted'),
  (13, 0, 8, 'Pond', 3, -200, -11000, 'Counted'), (13, 1, 8, 'Pond', 4, 200, 11000, 'Counted');
INSERT INTO loss(line, pond, batch, count, account, cause) VALUES (9, 3, 8, 10, 'Dead', '');
INSERT INTO reading(line, n, pond, parameter, value, depth_m, instrument) VALUES (10, 0, 3, 'do', 6.2, NULL, ''), (10, 1, 3, 'temp', 24, NULL, '');
INSERT INTO feeding(line, pond, feed, mass_kg) VALUES (11, 3, 6, 1.5);
INSERT INTO sample(line, pond, batch, single) VALUES (12, 3, 8, 0);
INSERT INTO weighing(line, n, count, mass_g) VALUES (12, 0, 30, 1560);
INSERT INTO move(line, pond, to_pond, batch, count, mean_g, basis) VALUES (13, 3, 4, 8, 200, 55, 'Counted');
INSERT INTO pond_work(line, pond, work, text, amount_kg) VALUES (14, 3, 'Limed', '', 20);
-- from 0018: a count of all posted its difference then
INSERT INTO entry(id, entered, author) VALUES ('b', 1767744000000, 'Manager');
INSERT INTO log(line, entry, n, kind, pond, happened, entered, author, as_typed) VALUES (15, 'b', 0, 'FishRecounted', 3, 1767744000000, 1767744000000, 'Manager', '');
INSERT INTO recount(line, pond, batch, count, basis, reason) VALUES (15, 3, 8, 700, 'Counted', 'birds');
INSERT INTO posting(line, n, batch, account, pond, count, mass_g, basis) VALUES (15, 0, 8, 'Pond', 3, -90, 0, 'Counted'), (15, 1, 8, 'Unexplained', NULL, 90, 0, 'Counted');
-- from 0019
INSERT INTO entry(id, entered, author) VALUES ('c', 1767830400000, 'Buoy');
INSERT INTO log(line, entry, n, kind, pond, happened, entered, author, as_typed) VALUES
  (16, 'c', 0, 'DeviceKept', 3, 1767744000000, 1767830400000, 'Manager', ''), (17, 'c', 1, 'ProbeSeriesReceived', 3, 1767830400000, 1767830400000, 'Buoy', '');
INSERT INTO device(line, device, name, use, pond, depth_m, gone) VALUES (16, 16, 'Buoy', 'Probe', 3, 0.5, 0);
INSERT INTO probe_series(line, device, pond, n) VALUES (17, 16, 3, 1);
INSERT INTO probe_value(pond, parameter, at, device, value, line) VALUES (3, 'do', 1767830100000, 16, 5.4, 17);
