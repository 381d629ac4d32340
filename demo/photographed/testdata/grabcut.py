"""Cuts the photos in a folder with OpenCV's GrabCut and the boxes in boxes.txt, and
writes its masks beside them as NN.mask.png. The figures in grabcut.json were made so,
with OpenCV 4.6 of Debian 12 (python3-opencv):

    BILLOW_PHOTOS=DIR go test ./demo/photographed -run Written
    python3 demo/photographed/testdata/grabcut.py DIR
    BILLOW_MASKS=DIR go test ./demo/photographed -run Figures
"""
import sys
import cv2
import numpy as np

folder = sys.argv[1]
for line in open(folder + '/boxes.txt'):
    number, x, y, w, h = line.split()
    photo = cv2.imread(f'{folder}/{number}.png')
    mask = np.zeros(photo.shape[:2], np.uint8)
    cv2.setRNGSeed(1)
    ground, thing = np.zeros((1, 65)), np.zeros((1, 65))
    cv2.grabCut(photo, mask, (int(x), int(y), int(w), int(h)), ground, thing, 5, cv2.GC_INIT_WITH_RECT)
    cv2.imwrite(f'{folder}/{number}.mask.png', np.where((mask == 1) | (mask == 3), 255, 0).astype(np.uint8))
