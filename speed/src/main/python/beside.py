"""Times Debian's general numeric libraries on the pictures that the benchmarks have; prints a benchmark's name and milliseconds a line.

Arguments: the folder with bytes.raw and smooth.raw, width, height.
"""
import sys
import time

import numpy as np
from scipy import ndimage
from sklearn.cluster import KMeans
from sklearn.ensemble import RandomForestClassifier

folder, width, height = sys.argv[1], int(sys.argv[2]), int(sys.argv[3])
grey = np.fromfile(folder + "/bytes.raw", np.uint8).reshape(height, width)
smooth = np.fromfile(folder + "/smooth.raw", np.uint8).reshape(height, width)
floats = grey.astype(np.float32)
mask = grey > 115
near = np.ones((3, 3), bool)


def disk(radius):
    y, x = np.ogrid[-radius : radius + 1, -radius : radius + 1]
    return x * x + y * y <= radius * radius


def sauvola(radius):
    values = grey.astype(np.float64)
    side = 2 * radius + 1
    mean = ndimage.uniform_filter(values, side)
    spread = np.sqrt(np.maximum(0, ndimage.uniform_filter(values * values, side) - mean * mean))
    return values <= mean * (1 + 0.5 * (spread / 127.5 - 1))


def measures(labels, count):
    index = np.arange(1, count + 1)
    ndimage.sum(mask, labels, index)
    ndimage.mean(grey, labels, index)
    ndimage.standard_deviation(grey, labels, index)
    ndimage.minimum(grey, labels, index)
    ndimage.maximum(grey, labels, index)
    ndimage.center_of_mass(mask, labels, index)


def tell(name, work):
    times = []
    while not times or len(times) < 3 and sum(times) < 8:
        start = time.perf_counter()
        work()
        times.append(time.perf_counter() - start)
    print(name, 1000 * sorted(times)[len(times) // 2], flush=True)


labels, count = ndimage.label(mask, near)
colours = np.stack([grey, grey // 2 + (np.arange(grey.size) // 7 % 97).reshape(grey.shape), 200 - grey // 2], -1)
distinct, often = np.unique(colours.reshape(-1, 3).astype(np.uint8), axis=0, return_counts=True)
random = np.random.default_rng(1)
examples = random.random((50_000, 38), np.float32)
classes = random.integers(0, 3, 50_000)
forest = RandomForestClassifier(64, n_jobs=2, random_state=1)

tell("copyFloats", floats.copy)
tell("threshold8", lambda: grey > 115)
tell("histogramAndRules8", lambda: np.bincount(grey.ravel(), minlength=256))
tell("gaussianSigma2", lambda: ndimage.gaussian_filter(floats, 2))
tell("gaussianSigma20", lambda: ndimage.gaussian_filter(floats, 20))
tell("label8", lambda: ndimage.label(mask, near))
filled = next(f for name, f in vars(ndimage).items() if name.endswith("fill_holes"))
tell("fillHoles", lambda: filled(mask))
tell("distance", lambda: ndimage.distance_transform_edt(~mask))
tell("sauvola", lambda: sauvola(25))
tell("measures", lambda: measures(labels, count))
tell("growFromMinima", lambda: ndimage.watershed_ift(smooth, np.where(ndimage.binary_erosion(mask), labels, 0).astype(np.int32)))
tell("kMeans8", lambda: KMeans(8, n_init=10, random_state=1).fit(distinct, sample_weight=often))
tell("growForest", lambda: forest.fit(examples, classes))
tell("askForest", lambda: forest.predict(random.random((1_200_000, 38), np.float32)))
tell("erodeSmall", lambda: ndimage.binary_erosion(mask, disk(16)))
tell("opening", lambda: ndimage.grey_opening(grey, footprint=disk(16)))
tell("median8", lambda: ndimage.median_filter(grey, 21))
